import { drawHose } from '../../catalogue/chemical-pieces.js';
import { takePart } from '../../catalogue/items.js';
import { meeting } from '../../chemistry/compatibility.js';
import { parseQuantity } from '../../quantity/parse.js';
import { typeableQuantity } from '../../quantity/format.js';
import type { SoftPumpResult } from '../../assess/chemical/types.js';
import { assumptionValues } from '../../assumption/register.js';
import { airPressure } from '../../fluid/air.js';
import type { Rig, RigDocument } from '../../rig/schema.js';
import { growTank } from '../grow-tank.js';
import { type Candidate, eachPart, like, m, nextSize, type Rule, sizeUp } from './shared.js';

const percent = (share: number): string => typeableQuantity(share, 'ratio', '%', 3);
const unused = (d: RigDocument, lineId: string): string => {
  const parts = d.lines.find((l) => l.id === lineId)!.parts;
  for (let i = 1; ; i++) if (!parts.some((p) => p.id === `p${i}`)) return `p${i}`;
};

/** Valves set for the wanted strength; for injectors the soap nozzle, the draw hose and the tank's height. */
export const mixRules: Rule = (finding, rig, doc, now) => {
  const i = rig.mixes.findIndex((x) => x.id === finding.subject.id);
  const result = now.chemical.mixes.find((x) => x.mixId === finding.subject.id);
  const mix = doc.mixes?.[i];
  if (!mix || !result) return [];
  const out: Candidate[] = [];
  if (result.settings.length && result.reachable)
    out.push({
      id: 'valves',
      title: `Set the valves: ${result.settings.map((s) => `${s.name} ${percent(s.wanted)}`).join(', ')}`,
      change: (d) => {
        for (const s of result.settings) {
          const part = d.lines.find((l) => l.id === s.lineId)!.parts.find((p) => p.id === s.partId);
          if (part?.kind === 'valve') part.setting = percent(s.wanted);
        }
      },
    });
  if (result.settings.length) {
    const branches = doc.lines.filter((l) => l.role === 'chemical' && l.to.at === 'mix' && l.to.id === mix.id);
    const stock = branches.find((l) => doc.tanks.some((t) => t.id === l.from.id && t.holds === mix.stock));
    const tank = doc.tanks.findIndex((t) => t.id === stock?.from.id);
    if (tank >= 0)
      for (const more of [0.3048, 0.6096])
        out.push({
          id: `raise-${Math.round(more * 100)}`,
          title: `Raise ${doc.tanks[tank].name} by ${more < 0.5 ? '12' : '24'} in`,
          change: (d) => {
            d.tanks[tank].base = like(d.tanks[tank].base, rig.tanks[tank].base + more);
            for (const l of d.lines)
              if (l.from.at === 'tank' && l.from.id === d.tanks[tank].id && l.from.height) {
                const read = parseQuantity(l.from.height, 'length');
                if (read.ok) l.from.height = like(l.from.height, read.si + more);
              }
          },
        });
  }
  if (mix.injector && (finding.code === 'mix-weak' || finding.code === 'mix-strays')) {
    const size = rig.mixes[i].injector!.soapNozzle;
    for (const factor of [1.5, 2])
      out.push({
        id: `soap-nozzle-${factor}`,
        title: `Soap nozzle number ${Math.round(size * factor)}`,
        change: (d) => void (d.mixes![i].injector!.soapNozzle = String(Math.round(size * factor))),
      });
    const hoses = now.outlets.find((o) => o.outletId === mix.injector!.outlet)?.lineIds ?? [];
    out.push({
      id: 'hose-wider',
      title: 'Pressure hose one size wider',
      change: (d) => eachPart(d, hoses, (p) => (p.kind === 'hose' ? sizeUp(p) : undefined)),
    });
    const draw = doc.lines.find((l) => l.role === 'chemical' && l.to.at === 'mix' && l.to.id === mix.id);
    if (draw)
      out.push({
        id: 'draw-wider',
        title: 'Draw hose 3/8 in',
        change: (d) =>
          eachPart(d, [draw.id], (p) =>
            p.kind === 'hose' ? ({ ...takePart('hose-chemical-38', p.id), length: p.length, name: 'Draw hose 3/8 in' } as never) : undefined,
          ),
      });
  }
  return out;
};

/** Where the flush water comes in. */
export const flushRules: Rule = (finding, rig) => {
  const i = rig.mixes.findIndex((x) => x.id === finding.subject.id);
  return [{ id: 'through', title: 'Let flush water in before valves and checks', change: (d) => void (d.mixes![i].flush = 'through') }];
};

export const checkRules: Rule = (finding, _rig, doc) => {
  const line = doc.lines.find((l) => l.role === 'chemical' && l.to.at === 'mix' && l.to.id === finding.subject.id);
  if (!line) return [];
  return [
    {
      id: 'check',
      title: 'Check valve in the draw line',
      change: (d) =>
        void d.lines
          .find((l) => l.id === line.id)!
          .parts.push(
            ...drawHose('x', 'tank:x', 'x')
              .parts.filter((p) => p.item === 'check-valve-12')
              .map((p) => ({ ...p, id: unused(d, line.id) })),
          ),
    },
  ];
};

/** Something that shuts between tank and gun. */
export const siphonRules: Rule = (finding, _rig, doc) => {
  const suction = doc.lines.find((l) => l.role === 'chemical' && l.from.at === 'mix' && l.from.id === finding.subject.id);
  const delivery = doc.lines.find((l) => l.role === 'chemical' && l.from.at === 'soft-pump' && l.from.id === suction?.to.id);
  if (!delivery) return [];
  return ['soft-gun-12', 'ball-valve-full-12'].map((item) => ({
    id: item,
    title: item === 'soft-gun-12' ? 'A ball gun at the end of the hose' : 'A ball valve at the end of the hose',
    change: (d: RigDocument) => void d.lines.find((l) => l.id === delivery.id)!.parts.push(takePart(item, unused(d, delivery.id))),
  }));
};

/** Another tip, a wider hose, more pump. */
export const jetRules: Rule = (finding, rig, _doc, now) => {
  const p = now.chemical.softPumps.find((x) => x.pumpId === finding.subject.id);
  const pump = rig.softPumps.findIndex((x) => x.id === finding.subject.id);
  const sprayer = rig.sprayers.findIndex((s) => s.id === p?.sprayerId);
  if (!p || pump < 0 || sprayer < 0) return [];
  const bore = rig.sprayers[sprayer].nozzleBore * 1000;
  return [
    ...[0.7, 0.8, 0.9, 1.15, 1.3].map((f) => {
      const mm = Math.round(bore * f * 10) / 10;
      return { id: `tip-${mm}`, title: `Jet tip ${mm} mm`, change: (d: RigDocument) => void (d.sprayers![sprayer].nozzleBore = `${mm} mm`) };
    }),
    {
      id: 'hose',
      title: 'Soft wash hose one size wider',
      change: (d) => eachPart(d, p.lineIds.slice(-1), (x) => (x.kind === 'hose' && m(x.length) > 5 ? sizeUp(x) : undefined)),
    },
    {
      id: 'pump',
      title: 'A pump of half as much again in flow and pressure',
      change: (d) => {
        d.softPumps![pump].openFlow = typeableQuantity(rig.softPumps[pump].openFlow * 1.5, 'flow', 'gpm', 2);
        d.softPumps![pump].limit = typeableQuantity(rig.softPumps[pump].limit * 1.5, 'pressure', 'psi', 2);
      },
    },
  ];
};

/** More pressure, a wider hose, valves opened. */
export const liftRules: Rule = (finding, rig, doc, now) => {
  const p = now.chemical.softPumps.find((x) => x.pumpId === finding.subject.id);
  const i = rig.softPumps.findIndex((x) => x.id === finding.subject.id);
  if (!p || i < 0) return [];
  const lines = doc.lines.filter((l) => p.lineIds.includes(l.id));
  const out: Candidate[] = [1.5, 2, 3].map((f) => {
    const limit = nextSize(rig.softPumps[i].limit * Math.max(p.liftM / p.liftsM, 1) * f, 'pressure', 'psi', 5);
    return { id: `psi-${f}`, title: `A pump of ${limit}`, change: (d: RigDocument) => void (d.softPumps![i].limit = limit) };
  });
  out.push({
    id: 'hose',
    title: 'Hose to the gun one size wider',
    change: (d) => eachPart(d, p.lineIds.slice(-1), (x) => (x.kind === 'hose' && m(x.length) > 5 ? sizeUp(x) : undefined)),
  });
  const metered = lines.filter((l) => l.parts.some((x) => x.kind === 'valve' && x.is === 'metering-valve'));
  if (metered.length)
    out.push({
      id: 'open',
      title: 'Open the metering valves halfway',
      change: (d) => {
        for (const l of metered)
          for (const x of d.lines.find((y) => y.id === l.id)!.parts) if (x.kind === 'valve' && x.is === 'metering-valve') x.setting = '50 %';
      },
    });
  return out;
};

export const batteryRules: Rule = (finding, rig, doc, now) => {
  const p = now.chemical.softPumps.find((x) => x.pumpId === finding.subject.id);
  if (!p?.batteryDay || !doc.power || !rig.power) return [];
  const need = nextSize((rig.power.battery * p.batteryDay.value * 1.25) / p.batteryUsable, 'charge', 'Ah', 10);
  return [
    { id: 'larger', title: `A battery of ${need}`, change: (d) => void (d.power!.battery = need) },
    { id: 'lithium', title: 'The same in lithium', change: (d) => void (d.power!.chemistry = 'lithium') },
    { id: 'charge', title: 'Charge at 30 A while working', change: (d) => void (d.power!.charging = '30 A') },
  ];
};

/** 120 gal, m³. */
const LARGEST_RECEIVER = 0.4542;

/** A receiver that lasts the spraying of a job, where one of a usual size does. */
function receiverFixes(p: SoftPumpResult, rig: Rig, base: NonNullable<RigDocument['power']>): Candidate[] {
  const spare = (rig.power?.cutOut ?? assumptionValues(rig.assumptions)['air-cut-out']) - rig.softPumps.find((x) => x.id === p.pumpId)!.limit;
  const needed = (p.sprayS * (p.airUse!.value - p.airGiven) * airPressure(rig.brief.altitude)) / Math.max(spare, 1);
  if (!(spare > 0) || needed * 1.1 > LARGEST_RECEIVER) return [];
  const receiver = nextSize(needed * 1.1, 'volume', 'gal', 10);
  return [{ id: 'receiver', title: `An air receiver of ${receiver}`, change: (d) => void (d.power = { ...(d.power ?? base), receiver }) }];
}

export const airRules: Rule = (finding, rig, doc, now) => {
  const p = now.chemical.softPumps.find((x) => x.pumpId === finding.subject.id);
  const i = rig.softPumps.findIndex((x) => x.id === finding.subject.id);
  if (!p?.airUse || !p.airPower || i < 0) return [];
  const freeAir = nextSize(p.airUse.value * (Math.max(rig.power?.freeAir ?? 0, 1e-9) / Math.max(p.airGiven, 1e-9)) * 1.1, 'airFlow', 'cfm', 1);
  const compressorPower = nextSize(p.airPower.value / 0.85, 'power', 'hp', 0.5);
  const base = doc.power ?? { battery: '100 Ah', chemistry: 'agm' as const, charging: '0 A', freeAir: '0 cfm', compressorPower: '0 hp' };
  return [
    {
      id: 'compressor',
      title: `A compressor of ${freeAir} and ${compressorPower}`,
      change: (d) => void (d.power = { ...base, freeAir, compressorPower }),
    },
    ...receiverFixes(p, rig, base),
    ...[0.8, 0.6].map((f) => {
      const psi = typeableQuantity(rig.softPumps[i].limit * f, 'pressure', 'psi', 2);
      return { id: `air-${psi}`, title: `Turn the air down to ${psi}`, change: (d: RigDocument) => void (d.softPumps![i].limit = psi) };
    }),
  ];
};

/** More tank for what is short, fresh stock for what is stale, less at a time for what spoils. */
export const stockRules: Rule = (finding, rig, doc, now) => {
  const l = now.chemical.liquids.find((x) => x.liquidId === finding.subject.id);
  const i = doc.liquids?.findIndex((x) => x.id === finding.subject.id) ?? -1;
  if (!l || i < 0) return [];
  if (finding.code === 'stock-stale')
    return [
      {
        id: 'fresh',
        title: 'Fetch fresh stock',
        change: (d) => {
          d.liquids![i].strength!.age = '1 d';
          delete d.liquids![i].strength!.titrated;
        },
      },
    ];
  const tank = doc.tanks.findIndex((t) => t.id === l.tanks[0]);
  if (tank < 0) return [];
  if (finding.code === 'use-by') {
    const level = Math.max((rig.tanks[tank].startLevel * 1.15) / Math.max(l.lastsDays, 1), 0.06);
    return [{ id: 'less', title: 'Mix one day’s worth', change: (d) => void (d.tanks[tank].startLevel = like(d.tanks[tank].startLevel, level)) }];
  }
  return moreOf(rig, doc, tank, 1.15 / l.lastsDays);
};

/** More in a tank: filled to its top, or made so many times as large. An empty one is no larger for being grown. */
function moreOf(rig: Rig, doc: RigDocument, tank: number, grow: number): Candidate[] {
  const { id, name } = doc.tanks[tank];
  const out: Candidate[] = [];
  if (Number.isFinite(grow)) out.push({ id: 'tank', title: `${name} ${Math.round((grow - 1) * 100)} % larger`, change: (d) => growTank(d, id, grow) });
  if (rig.tanks[tank].startLevel < rig.tanks[tank].fullLevel)
    out.push({ id: 'fill-up', title: `Start the day with ${name} full`, change: (d) => void (d.tanks[tank].startLevel = d.tanks[tank].fullLevel) });
  return out;
}

/** Vent, filling and bund of a tank of chemicals. */
export const tankPracticeRules: Rule = (finding, rig, _doc, now) => {
  const i = rig.tanks.findIndex((t) => t.id === finding.subject.id);
  switch (finding.code) {
    case 'fumes-deck':
      return [{ id: 'outside', title: 'Lead the vent outside', change: (d) => void (d.tanks[i].ventTo = 'outside') }];
    case 'no-drop-tube':
      return [{ id: 'tube', title: 'A drop tube to the bottom', change: (d) => void (d.tanks[i].dropTube = true) }];
    default: {
      const wanted = now.chemical.tanks.find((t) => t.tankId === finding.subject.id)?.bundWanted.value ?? 0;
      const size = nextSize(wanted, 'volume', 'gal', 5);
      return [{ id: 'bund', title: `A bund of ${size}`, change: (d) => void (d.tanks[i].bund = size) }];
    }
  }
};

/** Fills the antifreeze tank, or makes it larger. */
export const antifreezeRules: Rule = (finding, rig, doc, now) => {
  const i = rig.tanks.findIndex((t) => t.id === finding.subject.id);
  const w = now.chemical.winter;
  return i < 0 || !w ? [] : moreOf(rig, doc, i, (w.antifreeze.value / w.onBoardM3!) * 1.02);
};

export const attackRules: Rule = (finding, rig) => {
  const reel = rig.reels.findIndex((r) => r.id === finding.subject.id);
  if (reel >= 0)
    return [
      { id: 'none', title: 'Couple straight to the hose, past the swivel', change: (d) => void (d.reels![reel].swivel = 'none') },
      { id: 'plastic', title: 'A plastic swivel', change: (d) => void (d.reels![reel].swivel = 'plastic') },
    ];
  const pump = rig.softPumps.findIndex((p) => p.id === finding.subject.id);
  return pump < 0
    ? []
    : [
        {
          id: 'materials',
          title: 'Polypropylene body, fluororubber seals',
          change: (d) => {
            d.softPumps![pump].body = 'polypropylene';
            d.softPumps![pump].seals = 'fluororubber';
          },
        },
      ];
};

/** Takes the branch that does not belong off the blend that it would meet SH in. */
export const neverRules: Rule = (finding, rig, doc) => {
  const a = rig.liquids.find((l) => l.id === finding.subject.id);
  if (!a) return [];
  return rig.mixes.flatMap((mix) => {
    const branches = doc.lines.filter((l) => l.role === 'chemical' && l.to.at === 'mix' && l.to.id === mix.id);
    const kind = (lineFrom: string | undefined) => rig.liquids.find((l) => l.id === rig.tanks.find((t) => t.id === lineFrom)?.holds);
    const stock = rig.liquids.find((l) => l.id === mix.stock);
    return branches
      .filter((l) => {
        const k = kind(l.from.id);
        return k && stock && meeting(k.kind, stock.kind).verdict === 'never';
      })
      .map((l) => ({
        id: `off-${l.id}`,
        title: `Take ${kind(l.from.id)!.name} off ${mix.name}`,
        change: (d: RigDocument) => void (d.lines = d.lines.filter((x) => x.id !== l.id)),
      }));
  });
};
