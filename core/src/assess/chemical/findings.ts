import { LIQUID_NAMES } from '../../chemistry/compatibility.js';
import type { Rig } from '../../rig/schema.js';
import { message } from '../../working/figure.js';
import type { Cases } from '../cases.js';
import type { Finding, Subject } from '../types.js';
import type { Verdict } from '../verdict.js';
import { attacksOf } from './meetings.js';
import { linesOf, strengthVerdict } from './mix.js';
import { DRY } from './soft-pump.js';
import type { Stocks } from './stock.js';
import type { ChemicalResult, MixResult, SoftPumpResult } from './types.js';

const percent = (value: number) => ({ value, dimension: 'ratio' as const });

function finding(code: string, verdict: Verdict, station: Finding['station'], subject: Subject, m: Finding['message']): Finding {
  return { code, verdict, station, subject, message: m };
}

/** What the builder should hear about the chemical side. */
export function chemicalFindings(cases: Cases, stocks: Stocks, r: ChemicalResult): Finding[] {
  const { rig } = cases;
  return [
    ...meetingFindings(rig, r),
    ...rig.mixes.flatMap((mix) => {
      const result = r.mixes.find((x) => x.mixId === mix.id);
      return result
        ? mixFindings(cases, result)
        : [finding('mix-open', 'starved', 'mix', { kind: 'mix', id: mix.id }, message('{mix} does not reach a gun: its way is not whole.', { mix: mix.name }))];
    }),
    ...pumpFindings(cases, r),
    ...liquidFindings(rig, r),
    ...tankFindings(rig, stocks),
    ...bundFindings(rig, r),
    ...winterFindings(rig, r),
    ...siphonFindings(rig, stocks),
    ...attacksOf(rig, stocks).map((a) =>
      finding(
        'attacked',
        'tight',
        a.kind === 'reel' ? 'reels' : 'machines',
        { kind: a.kind === 'reel' ? 'reel' : 'soft-pump', id: a.id },
        message('{thing}: {reason}. Its {part} is {material}; choose another, or rinse it every time.', {
          thing: a.name,
          reason: a.reason,
          part: a.part,
          material: a.material,
        }),
      ),
    ),
  ];
}

function meetingFindings(rig: Rig, r: ChemicalResult): Finding[] {
  const name = (id: string): string => rig.liquids.find((l) => l.id === id)?.name ?? id;
  return r.meetings.flatMap((m) => {
    if (m.verdict !== 'never') return [];
    if (m.places.length)
      return [
        finding(
          'never-mix',
          'stop',
          'liquids',
          { kind: 'liquid', id: m.a },
          message('{a} and {b} can meet in {place}: {reason}. Give each its own pump, hose and reel.', {
            a: name(m.a),
            b: name(m.b),
            place: m.places[0],
            reason: m.reason,
          }),
        ),
      ];
    return [];
  });
}

function mixFindings(cases: Cases, m: MixResult): Finding[] {
  const { rig, values } = cases;
  const mix = rig.mixes.find((x) => x.id === m.mixId)!;
  const subject = { kind: 'mix', id: mix.id } as const;
  const out: Finding[] = [];
  const wanted = m.wanted.value;
  // Where nothing comes at all the pump says why.
  const flows = m.pumpId === undefined || m.flow.value > DRY;
  const first = strengthVerdict(m.first.value, wanted, values);
  const last = strengthVerdict(m.last.value, wanted, values);
  if (m.way === 'batch' && !m.recipe && wanted > 0)
    out.push(
      finding(
        'batch-impossible',
        'starved',
        'mix',
        subject,
        message('{mix} cannot be mixed: the stock is at {s} today and {w} is wanted at the wall.', {
          mix: mix.name,
          s: percent(m.streams[0]?.strength ?? 0),
          w: percent(wanted),
        }),
      ),
    );
  if (flows && first !== 'fed')
    out.push(
      finding(
        m.first.value < wanted ? 'mix-weak' : 'mix-strong',
        first,
        'mix',
        subject,
        message(
          m.first.value < wanted
            ? '{mix} reaches the wall at {s}; {w} is wanted.'
            : '{mix} reaches the wall at {s}, stronger than the {w} wanted: waste, and hard on plants.',
          {
            mix: mix.name,
            s: percent(m.first.value),
            w: percent(wanted),
          },
        ),
      ),
    );
  else if (flows && last !== 'fed')
    out.push(
      finding(
        'mix-drifts',
        last,
        'mix',
        subject,
        message('{mix} starts the day at {s} and ends it at {e}: the levels change and the valves do not.', {
          mix: mix.name,
          s: percent(m.first.value),
          e: percent(m.last.value),
        }),
      ),
    );
  else if (flows && (m.way === 'proportioner' || m.way === 'downstream')) {
    const worst = m.cases.find((c) => strengthVerdict(c.strength, wanted, values) === 'starved');
    if (worst)
      out.push(
        finding(
          'mix-strays',
          'tight',
          'mix',
          subject,
          message('{mix} strays to {s} with {case}.', { mix: mix.name, s: percent(worst.strength), case: worst.label }),
        ),
      );
  }
  if (m.unrinsed.length)
    out.push(
      finding(
        'flush-partial',
        'tight',
        'mix',
        subject,
        message('A flush of {mix} rinses pump and hose only: {n} valves keep their chemical, {which} first. Let the flush water in before them.', {
          mix: mix.name,
          n: String(m.unrinsed.length),
          which: m.unrinsed[0],
        }),
      ),
    );
  const draw = linesOf(rig, mix).find((l) => l.to.at === 'mix');
  if ((m.way === 'downstream' || m.way === 'nozzle') && draw && !draw.parts.some((p) => p.kind === 'fitting' && p.is === 'check-valve'))
    out.push(
      finding(
        'no-check',
        'tight',
        'mix',
        subject,
        message('The draw line of {mix} has no check valve: the first stuck ball lets water into the stock.', { mix: mix.name }),
      ),
    );
  return out;
}

/** Nothing, or too little to work with, comes out of what a pump feeds. */
function thinFinding(rig: Rig, p: SoftPumpResult, pump: string, subject: Subject): Finding {
  const gun = rig.sprayers.find((s) => s.id === p.sprayerId)!.name;
  if (p.flow.value > DRY)
    return finding(
      'gun-thin',
      p.flow.value < p.leastFlow / 2 ? 'starved' : 'tight',
      'machines',
      subject,
      message('{pump} brings {q} to {gun}; at least {w} are wanted there.', {
        pump,
        gun,
        q: { value: p.flow.value, dimension: 'flow' },
        w: { value: p.leastFlow, dimension: 'flow' },
      }),
    );
  return finding(
    'gun-dry',
    'starved',
    'machines',
    subject,
    message('{pump} brings nothing to {gun}: it is {h} above what it draws from, and the pump lifts {most}.', {
      pump,
      gun,
      h: { value: p.liftM, dimension: 'length' },
      most: { value: p.liftsM, dimension: 'length' },
    }),
  );
}

function pumpFindings(cases: Cases, r: ChemicalResult): Finding[] {
  const { rig } = cases;
  return r.softPumps.flatMap((p) => {
    const pump = rig.softPumps.find((x) => x.id === p.pumpId)!;
    const subject = { kind: 'soft-pump', id: pump.id } as const;
    const out: Finding[] = [];
    if (p.flow.value <= DRY || p.flow.value < p.leastFlow) out.push(thinFinding(rig, p, pump.name, subject));
    if (p.flow.value > DRY && p.reachWantedM > 0 && p.jetHeight.value < p.reachWantedM)
      out.push(
        finding(
          'jet-low',
          p.jetHeight.value < 0.8 * p.reachWantedM ? 'starved' : 'tight',
          'machines',
          subject,
          message('The jet of {pump} climbs {h}; the work is {w} above it.', {
            pump: pump.name,
            h: { value: p.jetHeight.value, dimension: 'length' },
            w: { value: p.reachWantedM, dimension: 'length' },
          }),
        ),
      );
    if (p.batteryDay && rig.power && p.batteryDay.value > p.batteryUsable * 0.8)
      out.push(
        finding(
          'battery-short',
          p.batteryDay.value > p.batteryUsable ? 'starved' : 'tight',
          'machines',
          subject,
          message('{pump} takes {a} over the day; the battery may give {b}.', {
            pump: pump.name,
            a: { value: p.batteryDay.value, dimension: 'charge' },
            b: { value: p.batteryUsable, dimension: 'charge' },
          }),
        ),
      );
    if (p.airUse && p.airPower) {
      const power = rig.power?.compressorPower ?? 0;
      if (p.airShort)
        out.push(
          finding(
            'air-short',
            p.airGiven < 0.7 * p.airUse.value ? 'starved' : 'tight',
            'machines',
            subject,
            message(
              p.airCarriesS > 0
                ? '{pump} breathes {a} of free air; the compressor gives {b} at this altitude, and its receiver makes up for it for {t}.'
                : '{pump} breathes {a} of free air; the compressor gives {b} at this altitude.',
              {
                pump: pump.name,
                a: { value: p.airUse.value, dimension: 'airFlow' },
                b: { value: p.airGiven, dimension: 'airFlow' },
                t: { value: p.airCarriesS, dimension: 'time' },
              },
            ),
          ),
        );
      else if (power * 0.85 < p.airPower.value)
        out.push(
          finding(
            'air-weak',
            'tight',
            'machines',
            subject,
            message('The compressor for {pump} wants {a} at its shaft; its engine has {b}.', {
              pump: pump.name,
              a: { value: p.airPower.value, dimension: 'power' },
              b: { value: power, dimension: 'power' },
            }),
          ),
        );
    }
    return out;
  });
}

function liquidFindings(rig: Rig, r: ChemicalResult): Finding[] {
  return r.liquids.flatMap((l) => {
    const liquid = rig.liquids.find((x) => x.id === l.liquidId)!;
    const subject = { kind: 'liquid', id: liquid.id } as const;
    const out: Finding[] = [];
    if (l.bought > 0 && l.today.value < l.bought * 0.8)
      out.push(
        finding(
          'stock-stale',
          'tight',
          'liquids',
          subject,
          message('{liquid} is at {now}, bought at {then}: age has eaten it. Set the valves for today, or fetch fresh.', {
            liquid: liquid.name,
            now: percent(l.today.value),
            then: percent(l.bought),
          }),
        ),
      );
    const refilled = rig.mixes.some((m) => m.way === 'draw-stick' && m.stock === l.liquidId);
    if (l.perDay.value > 0 && l.tanks.length && l.lastsDays < 0.999 && !refilled)
      out.push(
        finding(
          'stock-short',
          'starved',
          'liquids',
          subject,
          message('{liquid} on board lasts {share} of a day: {need} are wanted, {have} are there.', {
            liquid: liquid.name,
            share: percent(l.lastsDays),
            need: { value: l.perDay.value, dimension: 'volume' },
            have: { value: l.onBoardM3, dimension: 'volume' },
          }),
        ),
      );
    if (liquid.useBy !== undefined && l.tanks.length && l.verdict === 'tight' && l.bought === 0)
      out.push(
        finding(
          'use-by',
          'tight',
          'liquids',
          subject,
          message('{liquid} is good for {t} once mixed; what is mixed lasts longer than that. Mix less at a time.', {
            liquid: liquid.name,
            t: { value: liquid.useBy, dimension: 'time' },
          }),
        ),
      );
    return out;
  });
}

const FUMES = new Set(['hypochlorite', 'acid', 'ammonia']);

function tankFindings(rig: Rig, stocks: Stocks): Finding[] {
  return rig.tanks.flatMap((t) => {
    const { liquid } = stocks.in(t);
    if (!FUMES.has(liquid.kind)) return [];
    const subject = { kind: 'tank', id: t.id } as const;
    const out: Finding[] = [];
    if (t.ventTo !== 'outside')
      out.push(
        finding(
          'fumes-deck',
          'tight',
          'tanks',
          subject,
          message('{tank} breathes onto the deck: fumes of {liquid} rust everything there. Lead its vent outside and down.', {
            tank: t.name,
            liquid: LIQUID_NAMES[liquid.kind],
          }),
        ),
      );
    if (!t.dropTube)
      out.push(
        finding(
          'no-drop-tube',
          'tight',
          'tanks',
          subject,
          message('{tank} is filled from the top: suds and fumes. A tube to the bottom fills it quietly.', { tank: t.name }),
        ),
      );
    return out;
  });
}

/** A bund that would not hold what its tank can spill. Whether there is to be one is for local rules, and the builder's school. */
function bundFindings(rig: Rig, r: ChemicalResult): Finding[] {
  return r.tanks.flatMap((x) => {
    const tank = rig.tanks.find((t) => t.id === x.tankId)!;
    if (x.bundM3 === 0 || x.bundM3 >= x.bundWanted.value * 0.9999) return [];
    return [
      finding(
        'bund-small',
        'tight',
        'tanks',
        { kind: 'tank', id: tank.id },
        message('The bund under {tank} holds {b}; should the tank split, {n} are wanted.', {
          tank: tank.name,
          b: { value: x.bundM3, dimension: 'volume' },
          n: { value: x.bundWanted.value, dimension: 'volume' },
        }),
      ),
    ];
  });
}

/** Antifreeze on board against what the winter takes. */
function winterFindings(rig: Rig, r: ChemicalResult): Finding[] {
  const w = r.winter;
  if (w?.onBoardM3 === undefined || !(w.antifreeze.value > w.onBoardM3 * 1.0001)) return [];
  const tank = rig.tanks.find((t) => t.liquid === 'antifreeze')!;
  return [
    finding(
      'antifreeze-short',
      'tight',
      'liquids',
      { kind: 'tank', id: tank.id },
      message('{tank} holds {have}; {need} are wanted before a night of {cold}.', {
        tank: tank.name,
        have: { value: w.onBoardM3, dimension: 'volume' },
        need: { value: w.antifreeze.value, dimension: 'volume' },
        cold: { value: w.coldestK!, dimension: 'temperature' },
      }),
    ),
  ];
}

/** A line that ends below a full tank's level runs by itself once it is full, unless something shuts it. */
function siphonFindings(rig: Rig, stocks: Stocks): Finding[] {
  const shuts = (l: Rig['lines'][number]): boolean =>
    l.parts.some((p) => (p.kind === 'valve' && p.is === 'gun-valve') || (p.kind === 'fitting' && p.is === 'ball-valve'));
  return rig.mixes.flatMap((mix) => {
    const lines = linesOf(rig, mix);
    const delivery = lines.find((l) => l.to.at === 'sprayer');
    const sprayer = rig.sprayers.find((s) => s.id === delivery?.to.id);
    if (!delivery || !sprayer || lines.some((l) => l.to.at !== 'mix' && shuts(l))) return [];
    return lines
      .filter((l) => l.from.at === 'tank' && !shuts(l))
      .flatMap((l) => {
        const tank = rig.tanks.find((t) => t.id === l.from.id)!;
        // Laid down, the gun rests on the ground, lower than the deck.
        const over = tank.base + tank.fullLevel;
        if (over <= 0) return [];
        return [
          finding(
            'siphon',
            'tight',
            'mix',
            { kind: 'mix', id: mix.id },
            message(
              '{tank} can siphon through {pump}: laid on the ground, the gun lies at least {h} below its full level and nothing in between shuts. A ball valve or a trigger stops it.',
              {
                tank: `${tank.name} (${stocks.in(tank).liquid.name})`,
                pump: mix.name,
                h: { value: over, dimension: 'length' },
              },
            ),
          ),
        ];
      })
      .slice(0, 1);
  });
}
