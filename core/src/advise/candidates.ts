import { nextBore } from '../assess/fill.js';
import type { Assessment, Finding } from '../assess/types.js';
import { assumptionValues } from '../assumption/register.js';
import { NOZZLE_SIZES, nozzleSize, shelfSize } from '../hydraulics/nozzle.js';
import { formatInches, typeableQuantity } from '../quantity/format.js';
import { parseQuantity, si } from '../quantity/parse.js';
import type { LineDocument, PartDocument, Rig, RigDocument } from '../rig/schema.js';
import { shapeHeight } from '../rig/tank-shape.js';
import { CATALOGUE, resize, takePart } from '../catalogue/items.js';

/** A change worth trying: told in words, done on a draft of the document. */
export interface Candidate {
  readonly id: string;
  readonly title: string;
  readonly change: (draft: RigDocument) => void;
}

type Rule = (finding: Finding, rig: Rig, doc: RigDocument, now: Assessment) => Candidate[];

const lineAt = (doc: RigDocument, id: string): LineDocument => doc.lines.find((l) => l.id === id)!;
const m = (text: string): number => si(text, 'length');
/** Keeps the unit that the builder used for a length. */
const like = (text: string, metres: number): string => {
  const read = parseQuantity(text, 'length');
  const unit = read.ok ? (/ft.*in|'.*"/.test(text) ? 'in' : read.unit) : 'in';
  return typeableQuantity(metres, 'length', unit, 3);
};
const inches = formatInches;
const ascii = (metres: number): string => inches(metres).replace(/[\u202f\u00a0]/g, ' ');

/** The part in a bore at least as wide as wanted, or the widest there is. */
function upTo(part: PartDocument, boreM: number): PartDocument | undefined {
  let now: PartDocument | undefined = part;
  let last: PartDocument | undefined;
  while (now && m(now.bore) < boreM * 0.98) {
    now = sizeUp(now);
    last = now ?? last;
  }
  return last;
}

/** The same kind of part one size up, off the shelf; undefined at the end of the shelf. */
export function sizeUp(part: PartDocument): PartDocument | undefined {
  const bore = nextBore(m(part.bore));
  if (!bore) return undefined;
  const resized = resize(part, ascii(bore));
  return part.kind === 'hose' || resized.item ? resized : undefined;
}

/** 5/8 in is a garden hose's size: no suction line is built of it. */
const nextFeedBore = (boreM: number): number | undefined => {
  const next = nextBore(boreM);
  return next && Math.abs(next - m('5/8 in')) < 1e-4 ? nextBore(next) : next;
};

const feedLines = (now: Assessment, machineId: string): readonly string[] => now.feeds.find((f) => f.machineId === machineId)?.lineIds ?? [];

function eachPart(draft: RigDocument, lineIds: readonly string[], change: (part: PartDocument) => PartDocument | undefined): void {
  for (const id of lineIds) {
    const line = lineAt(draft, id);
    line.parts = line.parts.map((p) => change(p) ?? p);
  }
}

const has = (doc: RigDocument, lineIds: readonly string[], test: (p: PartDocument) => boolean): boolean =>
  lineIds.some((id) => lineAt(doc, id).parts.some(test));

const isElbow = (p: PartDocument): boolean => p.kind === 'fitting' && (p.is === 'elbow-90' || p.is === 'elbow-45');

const feedRules: Rule = (finding, rig, doc, now) => {
  const machine = rig.machines.findIndex((x) => x.id === finding.subject.id);
  const lines = feedLines(now, finding.subject.id);
  const feed = now.feeds.find((f) => f.machineId === finding.subject.id);
  if (machine < 0 || !feed || lines.length === 0) return [];
  const out: Candidate[] = [];
  const add = (id: string, title: string, change: Candidate['change']): void => void out.push({ id, title, change });
  const tankIndex = rig.tanks.findIndex((t) => t.id === feed.sourceId);

  const hose = lines
    .flatMap((id) => lineAt(doc, id).parts)
    .filter((p) => p.kind === 'hose')
    .map((p) => m(p.bore));
  const narrow = hose.length ? nextFeedBore(Math.min(...hose)) : undefined;
  if (narrow) add('wider-all', `${inches(narrow)} hose, valve and fittings all the way`, (d) => eachPart(d, lines, (p) => upTo(p, narrow)));
  const widest = hose.length ? nextFeedBore(narrow ?? Math.max(...hose)) : undefined;
  if (narrow && widest && widest > narrow) add('wider-two', `${inches(widest)} all the way, two sizes up`, (d) => eachPart(d, lines, (p) => upTo(p, widest)));
  if (has(doc, lines, isElbow)) {
    const count = lines
      .flatMap((id) => lineAt(doc, id).parts)
      .filter(isElbow)
      .reduce((s, p) => s + Number((p as { count: string }).count), 0);
    add('sweeps', count === 1 ? 'A sweep bend instead of the elbow' : `Sweep bends instead of ${count} elbows`, (d) =>
      eachPart(d, lines, (p) => (isElbow(p) ? sweep(p) : undefined)),
    );
    add('no-elbows', 'Run the hose in a long curve, no elbows', (d) =>
      lines.forEach((id) => {
        const l = lineAt(d, id);
        l.parts = l.parts.filter((p) => !isElbow(p));
      }),
    );
  }
  if (has(doc, lines, (p) => p.kind === 'strainer'))
    add('strainer', 'A strainer one size larger', (d) => eachPart(d, lines, (p) => (p.kind === 'strainer' ? sizeUp(p) : undefined)));
  if (has(doc, lines, (p) => p.kind === 'fitting' && p.is === 'ball-valve' && !!p.reducedBore))
    add('full-bore', 'A full-bore ball valve', (d) => eachPart(d, lines, (p) => (p.kind === 'fitting' && p.is === 'ball-valve' ? fullBore(p) : undefined)));
  if (has(doc, lines, (p) => p.kind === 'fitting' && p.is.startsWith('bulkhead')))
    add('bulkhead', 'A bulkhead one size larger', (d) =>
      eachPart(d, lines, (p) => (p.kind === 'fitting' && p.is.startsWith('bulkhead') ? sizeUp(p) : undefined)),
    );
  if (!feed.direct && tankIndex >= 0) {
    const tied = now.tanks[tankIndex].tiedIds;
    add('raise-tank', `Raise the tank ${inches(m('6 in'))}`, (d) => raise(d, tied, m('6 in')));
    const low = rig.machines[machine].inletHeight;
    if (low > m('6 in')) {
      const to = Math.max(low - m('6 in'), m('4 in'));
      add('lower-pump', `Lower the pump to ${inches(to)} above the deck`, (d) => {
        d.machines[machine].inletHeight = like(d.machines[machine].inletHeight, to);
      });
    }
    if (lines.length === 1)
      add('second-feed', 'A second feed line beside the first', (d) => {
        const first = lineAt(d, lines[0]);
        d.lines.push({ ...structuredCopy(first), id: unusedId(d, `${first.id}-b`) });
      });
    if (rig.boosters.length === 0) add('booster', 'A booster pump before the strainer', (d) => addBooster(d, lines, machine));
    for (const b of rig.boosters)
      if (!b.running && lines.some((id) => rig.lines.find((l) => l.id === id)!.from.id === b.id))
        add(`run-${b.id}`, `Switch ${b.name} on`, (d) => {
          d.boosters.find((x) => x.id === b.id)!.running = true;
        });
  }
  return out;
};

function sweep(p: PartDocument): PartDocument | undefined {
  const target = CATALOGUE.find((x) => x.id.startsWith('elbow-90-swept-') && Math.abs(m(x.part.bore) - m(p.bore)) < 2e-4);
  return target && p.kind === 'fitting' ? takePart(target.id, p.id, { count: p.count }) : undefined;
}

function fullBore(p: PartDocument): PartDocument | undefined {
  const target = CATALOGUE.find((x) => x.id.startsWith('ball-valve-full-') && Math.abs(m(x.part.bore) - m(p.bore)) < 2e-4);
  return target && p.kind === 'fitting' ? takePart(target.id, p.id, { count: p.count }) : undefined;
}

function raise(d: RigDocument, tankIds: readonly string[], by: number): void {
  for (const t of d.tanks) if (tankIds.includes(t.id)) t.base = like(t.base, m(t.base) + by);
  for (const l of d.lines)
    for (const end of [l.from, l.to])
      if (end.at === 'tank' && tankIds.includes(end.id ?? '') && end.height !== undefined) end.height = like(end.height, m(end.height) + by);
}

/** Puts a booster between the first valve and the rest of the first line of a feed (line ids from source to machine). */
export function addBooster(d: RigDocument, lines: readonly string[], machine: number): void {
  const first = lineAt(d, lines[0]);
  const cut = Math.max(
    first.parts.findIndex((p) => p.kind === 'strainer' || p.kind === 'hose'),
    1,
  );
  const id = unusedId(d, 'booster');
  d.boosters.push({
    id,
    name: 'Booster',
    height: first.from.height ?? '3 in',
    running: true,
    shutoffPressure: '45 psi',
    openFlow: typeableQuantity(si(d.machines[machine].flow, 'flow') * 2.2, 'flow', 'gpm', 2),
  });
  const rest = first.parts.slice(cut);
  const old = first.to;
  first.parts = first.parts.slice(0, cut);
  first.to = { at: 'booster', id };
  d.lines.push({ id: unusedId(d, `${first.id}-boosted`), role: 'feed', from: { at: 'booster', id }, to: old, parts: rest });
}

/** An id not yet used in the document, made from a stem. */
export function unusedId(d: RigDocument, stem: string): string {
  const used = new Set([...d.spigots, ...d.tanks, ...d.manifolds, ...d.boosters, ...d.machines, ...d.outlets, ...d.lines, ...(d.reels ?? [])].map((x) => x.id));
  const base = stem.slice(0, 34);
  if (!used.has(base)) return base;
  for (let i = 2; ; i++) if (!used.has(`${base}-${i}`)) return `${base}-${i}`;
}

/** Scales a tank to hold `factor` times as much: longer and taller in equal parts. */
function grow(d: RigDocument, tankId: string, factor: number): void {
  const t = d.tanks.find((x) => x.id === tankId)!;
  const wasTall = shapeTall(t.shape);
  const each = Math.sqrt(factor);
  const up = (text: string, by: number): string => like(text, Math.ceil((m(text) * by) / 0.0254 - 1e-6) * 0.0254);
  const s = t.shape;
  if (s.kind === 'box') Object.assign(s, { length: up(s.length, each), height: up(s.height, each) });
  else if (s.kind === 'upright-cylinder') Object.assign(s, { diameter: up(s.diameter, factor ** (1 / 3)), height: up(s.height, factor ** (1 / 3)) });
  else s.length = up(s.length, factor);
  const ratio = m(shapeTall(t.shape)) / m(wasTall);
  t.fullLevel = like(t.fullLevel, m(t.fullLevel) * ratio);
  t.startLevel = like(t.startLevel, m(t.startLevel) * ratio);
  for (const l of d.lines)
    if ((l.role === 'fill' || l.role === 'bypass') && l.to.id === tankId && l.to.height)
      l.to.height = like(l.to.height, m(t.base) + (m(l.to.height) - m(t.base)) * ratio);
}

const shapeTall = (s: RigDocument['tanks'][number]['shape']): string => (s.kind === 'lying-cylinder' ? s.diameter : s.height);

const bufferRules: Rule = (finding, rig, _doc, now) => {
  const index = rig.tanks.findIndex((t) => t.id === finding.subject.id);
  const result = now.tanks[index];
  if (!result) return [];
  const out: Candidate[] = [];
  const job = rig.brief.job;
  const reserve = result.needed.working.inputs.find((i) => i.symbol === 'reserve')?.value ?? 0;
  const fillLines = now.fills.filter((f) => result.tiedIds.includes(f.tankId));
  const poorNeed = Math.max(result.draw.value - result.inflowPoor, 0) * job * (1 + reserve);
  for (const [id, need, label] of [
    ['tank', result.needed.value, ''],
    ['tank-poor', poorNeed, ', good for a poor spigot too'],
  ] as const) {
    const wanted = (need + result.heelVolumeM3) / result.fullVolumeM3;
    if (wanted <= 1.001) continue;
    if (wanted > 12) continue;
    out.push({
      id,
      title: `A ${Math.ceil((result.fullVolumeM3 * wanted) / 0.003785411784 / 5) * 5} gal tank lasts the job${label}`,
      change: (d) => result.tiedIds.forEach((t) => grow(d, t, wanted * 1.01)),
    });
  }
  const startsLow = rig.tanks.some((t) => result.tiedIds.includes(t.id) && t.startLevel < Math.min(t.fullLevel, shapeHeight(t.shape)) * 0.99);
  if (startsLow)
    out.push({
      id: 'start-full',
      title: 'Start the job with a full tank',
      change: (d) =>
        d.tanks.forEach((t) => {
          if (result.tiedIds.includes(t.id)) t.startLevel = t.fullLevel;
        }),
    });
  // Less heel is more usable water: a lower or a wider outlet.
  const outlets = rig.lines.filter((l) => (l.role === 'feed' || l.role === 'boost') && l.from.at === 'tank' && result.tiedIds.includes(l.from.id!));
  const high = outlets.filter((l) => l.from.height !== undefined && l.from.height > rig.tanks.find((t) => t.id === l.from.id)!.base + 0.03);
  if (high.length)
    out.push({
      id: 'outlet-low',
      title: 'Outlet an inch above the bottom: less water out of reach',
      change: (d) =>
        high.forEach((l) => {
          const end = lineAt(d, l.id).from;
          end.height = like(end.height!, rig.tanks.find((t) => t.id === l.from.id)!.base + 0.0254);
        }),
    });
  if (outlets.length)
    out.push({
      id: 'outlet-wide',
      title: 'A bulkhead one size larger: less depth needed over it',
      change: (d) =>
        eachPart(
          d,
          outlets.map((l) => l.id),
          (p) => (p.kind === 'fitting' && p.is.startsWith('bulkhead') ? sizeUp(p) : undefined),
        ),
    });
  for (const fill of fillLines) {
    if (fill.wider)
      out.push({
        id: `fill-hose-${fill.lineId}`,
        title: `A ${inches(fill.wider.boreM)} fill hose`,
        change: (d) => {
          const line = lineAt(d, fill.lineId);
          const longest = line.parts.reduce<PartDocument | undefined>(
            (a, p) => (p.kind === 'hose' && (!a || a.kind !== 'hose' || m(p.length) > m(a.length)) ? p : a),
            undefined,
          );
          line.parts = line.parts.map((p) => (p === longest || p.id === longest?.id ? (sizeUp(p) ?? p) : p));
        },
      });
    if (fill.costliest && fill.costliest.share > 0.1) {
      const part = rig.lines.find((l) => l.id === fill.lineId)!.parts.find((p) => p.id === fill.costliest!.partId)!;
      if (part.kind === 'valve')
        out.push({
          id: `fill-part-${part.id}`,
          title: `${part.name}, one size larger`,
          change: (d) => eachPart(d, [fill.lineId], (p) => (p.id === part.id ? sizeUpValve(p) : undefined)),
        });
    }
    const halfLength = rig.lines.find((l) => l.id === fill.lineId)!.parts.filter((p) => p.kind === 'hose');
    if (halfLength.some((h) => h.kind === 'hose' && h.length > 20))
      out.push({
        id: `fill-short-${fill.lineId}`,
        title: 'Half the fill hose, parked nearer the spigot',
        change: (d) => eachPart(d, [fill.lineId], (p) => (p.kind === 'hose' ? { ...p, length: like(p.length, m(p.length) / 2) } : undefined)),
      });
  }
  return out;
};

function sizeUpValve(p: PartDocument): PartDocument | undefined {
  const wider = CATALOGUE.filter((x) => x.part.is === p.is && m(x.part.bore) > m(p.bore) * 1.02).sort((a, b) => m(a.part.bore) - m(b.part.bore))[0];
  return wider ? takePart(wider.id, p.id) : undefined;
}

const tieRules: Rule = (finding, _rig, doc) => {
  const ties = doc.lines.filter((l) => l.role === 'tie' && (l.from.id === finding.subject.id || l.to.id === finding.subject.id)).map((l) => l.id);
  if (!ties.length) return [];
  return [
    { id: 'tie-wider', title: 'A tie line one size wider', change: (d) => eachPart(d, ties, sizeUp) },
    { id: 'tie-wider-two', title: 'A tie line two sizes wider', change: (d) => eachPart(d, ties, (p) => sizeUp(sizeUp(p) ?? p)) },
    {
      id: 'tie-second',
      title: 'A second tie line beside the first',
      change: (d) => {
        const first = lineAt(d, ties[0]);
        d.lines.push({ ...structuredCopy(first), id: unusedId(d, `${first.id}-b`) });
      },
    },
  ];
};

const structuredCopy = <T>(x: T): T => JSON.parse(JSON.stringify(x)) as T;

const ventRules: Rule = (finding, rig) => {
  const i = rig.tanks.findIndex((t) => t.id === finding.subject.id);
  const now = rig.tanks[i].ventBore;
  const sizes = ['1 in', '1 1/2 in', '2 in', '3 in', '4 in'].filter((s) => m(s) > now * 1.02);
  return [
    ...sizes.map((s) => ({
      id: `vent-${s}`,
      title: `A ${s} vent`,
      change: (d: RigDocument) => {
        d.tanks[i].ventBore = s;
      },
    })),
    {
      id: 'lid-open',
      title: 'Keep the lid open while dumping',
      change: (d) => {
        d.tanks[i].lid = 'open';
      },
    },
  ];
};

const bypassRules: Rule = (finding, rig, doc, now) => {
  const machine = rig.machines.find((x) => x.id === finding.subject.id)!;
  const own = doc.lines.find((l) => l.role === 'bypass' && l.from.id === machine.id);
  const feed = now.feeds.find((f) => f.machineId === machine.id);
  const out: Candidate[] = [];
  if (finding.code === 'bypass-hot' && feed && !feed.direct) {
    const tank = rig.tanks.find((t) => t.id === feed.sourceId)!;
    out.push({
      id: 'return-to-tank',
      title: `Return it to ${tank.name}`,
      change: (d) => {
        d.lines = d.lines.filter((l) => !(l.role === 'bypass' && l.from.id === machine.id));
        d.lines.push({
          id: unusedId(d, `return-${machine.id}`),
          role: 'bypass',
          from: { at: 'machine', id: machine.id },
          to: { at: 'tank', id: tank.id, height: like('1 in', tank.base + shapeHeight(tank.shape) * 0.9), apart: '36 in' },
          parts: [takePart('barb-34', 'p1'), takePart('hose-helix-34', 'p2', { length: '6 ft' })],
        });
      },
    });
  }
  if (finding.code === 'return-tight' && own)
    out.push({ id: 'return-wider', title: 'A return hose one size wider', change: (d) => eachPart(d, [own.id], sizeUp) });
  if (finding.code === 'return-bubbles' && own) {
    const tank = rig.tanks.find((t) => t.id === own.to.id)!;
    const reach = now.bypasses.find((b) => b.machineId === machine.id)?.bubbles?.depth.value ?? 0.3;
    out.push({
      id: 'return-apart',
      title: `Bring the return down ${inches(Math.ceil((reach + 0.1) / 0.0254) * 0.0254)} from the outlet`,
      change: (d) => {
        lineAt(d, own.id).to.apart = ascii(Math.ceil((reach + 0.1) / 0.0254) * 0.0254);
      },
    });
    out.push({
      id: 'return-low',
      title: 'A drop tube, so that the return ends under water',
      change: (d) => {
        lineAt(d, own.id).to.height = like(own.to.height ?? '1 in', tank.base + 0.05);
      },
    });
  }
  return out;
};

const gunRules: Rule = (finding, rig, _doc, now) => {
  const i = rig.outlets.findIndex((o) => o.id === finding.subject.id);
  const result = now.outlets.find((o) => o.outletId === finding.subject.id);
  if (i < 0 || !result) return [];
  const out: Candidate[] = [];
  const better = shelfSize(result.betterSize);
  if (better !== rig.outlets[i].nozzle.size && better > 0)
    out.push({
      id: `nozzle-${better}`,
      title: `Nozzle number ${better}`,
      change: (d) => {
        d.outlets[i].nozzle.size = String(better);
      },
    });
  out.push({
    id: 'hose-wider',
    title: 'Pressure hose one size wider',
    change: (d) => eachPart(d, result.lineIds, (p) => (p.kind === 'hose' && m(p.length) > 5 ? sizeUp(p) : undefined)),
  });
  out.push({
    id: 'hose-off-reel',
    title: 'Pull the whole hose off the reel',
    change: (d) => eachPart(d, result.lineIds, (p) => (p.kind === 'hose' && p.coiledLength ? { ...p, coiledLength: '0 ft' } : undefined)),
  });
  return out;
};

/** A larger nozzle, or an unloader that lets go earlier, spares the surface. */
const surfaceRules: Rule = (finding, rig, _doc, now) => {
  const i = rig.outlets.findIndex((o) => o.id === finding.subject.id);
  const machineId = now.outlets.find((o) => o.outletId === finding.subject.id)?.machineIds[0];
  const machine = rig.machines.findIndex((x) => x.id === machineId);
  const surface = rig.outlets[i]?.surface;
  if (i < 0 || machine < 0 || !surface) return [];
  const most = assumptionValues(rig.assumptions)[`surface-${surface}`];
  const limit = typeableQuantity(most, 'pressure', 'psi', 3);
  const sizes = NOZZLE_SIZES.filter((n) => n > rig.outlets[i].nozzle.size && n <= 15);
  return [
    ...sizes.map((n) => ({
      id: `nozzle-${n}`,
      title: `Nozzle number ${n} at ${rig.outlets[i].name}`,
      change: (d: RigDocument) => {
        d.outlets[i].nozzle.size = String(n);
        d.outlets[i].wantedPressure = typeableQuantity(Math.min(most, rig.outlets[i].wantedPressure), 'pressure', 'psi', 3);
      },
    })),
    {
      id: 'unloader-down',
      title: `Unloader at ${limit}, for all guns of ${rig.machines[machine].name}`,
      change: (d) => {
        d.machines[machine].unloader.setting = limit;
        for (const o of now.outlets.filter((x) => x.machineIds.includes(rig.machines[machine].id))) {
          const outlet = d.outlets.find((x) => x.id === o.outletId)!;
          if (si(outlet.wantedPressure, 'pressure') > most) outlet.wantedPressure = limit;
        }
      },
    },
  ];
};

/** The nozzle of the right set. */
const setRules: Rule = (finding, rig, _doc, now) => {
  const i = rig.outlets.findIndex((o) => o.id === finding.subject.id);
  const result = now.outlets.find((o) => o.outletId === finding.subject.id);
  const machine = rig.machines.find((x) => x.id === result?.machineIds[0]);
  if (i < 0 || !machine) return [];
  const guns = now.outlets.filter((o) => o.machineIds.includes(machine.id)).length;
  const n = shelfSize(nozzleSize(machine.flow / guns, rig.outlets[i].wantedPressure));
  return [
    {
      id: `nozzle-${n}`,
      title: `Nozzle number ${n} at ${rig.outlets[i].name}`,
      change: (d) => {
        d.outlets[i].nozzle.size = String(n);
      },
    },
  ];
};

const machineRules: Rule = (finding, rig, doc, now) => {
  const i = rig.machines.findIndex((x) => x.id === finding.subject.id);
  if (i < 0) return [];
  if (finding.code === 'unloader-high')
    return [
      {
        id: 'unloader-down',
        title: `Set the unloader to ${doc.machines[i].ratedPressure}`,
        change: (d) => {
          d.machines[i].unloader.setting = d.machines[i].ratedPressure;
        },
      },
    ];
  const guns = now.outlets.filter((o) => o.machineIds.includes(rig.machines[i].id));
  if (finding.code === 'unloader-cycles')
    return guns.flatMap((g) => {
      const o = rig.outlets.findIndex((x) => x.id === g.outletId);
      const larger = NOZZLE_SIZES.filter((size) => size > rig.outlets[o].nozzle.size && size < rig.outlets[o].nozzle.size * 2).slice(0, 6);
      return [
        ...larger.map((size) => ({
          id: `nozzle-${g.outletId}-${size}`,
          title: `Nozzle number ${size} at ${rig.outlets[o].name}`,
          change: (d: RigDocument) => {
            d.outlets[o].nozzle.size = String(size);
          },
        })),
        {
          id: `hose-${g.outletId}`,
          title: 'Pressure hose one size wider',
          change: (d: RigDocument) => eachPart(d, g.lineIds, (p) => (p.kind === 'hose' ? sizeUp(p) : undefined)),
        },
      ];
    });
  if (finding.code === 'engine-small') {
    const need = now.machines.find((x) => x.machineId === finding.subject.id)!;
    const hp = Math.ceil((need.enginePower.value / 745.7) * (rig.machines[i].enginePower / need.engineAvailable.value));
    return [
      {
        id: 'engine',
        title: `An engine of ${hp} hp`,
        change: (d) => {
          d.machines[i].enginePower = `${hp} hp`;
        },
      },
    ];
  }
  return [];
};

const outletRules: Rule = (finding, rig) => {
  const tank = rig.tanks.find((t) => t.id === finding.subject.id)!;
  return [
    {
      id: 'outlet-low',
      title: 'Put the outlet an inch above the bottom',
      change: (d) =>
        d.lines.forEach((l) => {
          if (l.from.at === 'tank' && l.from.id === tank.id && l.from.height !== undefined) {
            const h = m(l.from.height) - tank.base;
            if (h < 0 || h > shapeHeight(tank.shape)) l.from.height = like(l.from.height, tank.base + 0.0254);
          }
        }),
    },
  ];
};

const openRules: Rule = (_finding, _rig, doc) =>
  doc.lines
    .filter((l) => l.closed && (l.role === 'feed' || l.role === 'boost' || l.role === 'pressure'))
    .map((l) => ({
      id: `open-${l.id}`,
      title: `Open the valve of ${l.name ?? l.id}`,
      change: (d) => {
        delete lineAt(d, l.id).closed;
      },
    }));

/** A wider drum, another place, the supply at the bottom. */
const reelRules: Rule = (finding, rig, doc, now) => {
  const i = rig.reels.findIndex((r) => r.id === finding.subject.id);
  const reel = doc.reels?.[i];
  if (!reel) return [];
  const own = rig.reels[i];
  const freeRow = [1, 2, 3, 4, 5, 6].find((row) => !rig.reels.some((r) => r !== own && r.place === own.place && r.row === row));
  switch (finding.code) {
    case 'reel-small': {
      const r = now.reels[i];
      const wide = Math.ceil((own.width * (r.hoseM / r.capacity.value) * 1.03) / 0.0254) * 0.0254;
      const deep = Math.ceil((own.flange * 1.2) / 0.0254) * 0.0254;
      return [
        { id: 'wider', title: `A reel ${inches(wide)} wide`, change: (d) => void (d.reels![i].width = like(reel.width, wide)) },
        { id: 'deeper', title: `Flanges of ${inches(deep)}`, change: (d) => void (d.reels![i].flange = like(reel.flange, deep)) },
      ];
    }
    case 'reel-street':
      return (['kerb', 'rear'] as const).map((place) => ({
        id: `at-${place}`,
        title: place === 'kerb' ? 'Mount it on the kerb side' : 'Mount it at the rear',
        change: (d) => {
          d.reels![i].place = place;
        },
      }));
    case 'reel-order':
      return [
        {
          id: 'bottom',
          title: 'Supply at the bottom, pressure over it',
          change: (d) => {
            let row = 1;
            const stack = d.reels!.filter((r) => r.place === own.place);
            const supply = (r: (typeof stack)[number]): number => (d.lines.find((l) => l.id === r.line)?.role === 'fill' ? 0 : 1);
            [...stack].sort((a, b) => supply(a) - supply(b)).forEach((r) => (r.row = String(row++)));
          },
        },
      ];
    case 'reel-cross':
      return freeRow
        ? [
            {
              id: `row-${freeRow}`,
              title: `Give it row ${freeRow}`,
              change: (d) => {
                d.reels![i].row = String(freeRow);
              },
            },
          ]
        : [];
    default:
      return [];
  }
};

/** Spare hose to reach the far corner. */
const runRules: Rule = (finding, rig, doc, now) => {
  const run = now.runs.find((r) => r.outletId === finding.subject.id);
  if (!run || !doc.site) return [];
  const more = Math.ceil((rig.site!.spare + run.needed.value - run.carried.value) / 7.62) * 7.62;
  return [
    {
      id: 'spare',
      title: `Carry ${typeableQuantity(more, 'length', 'ft', 3)} of spare hose`,
      change: (d) => {
        d.site!.spare = typeableQuantity(more, 'length', 'ft', 3);
      },
    },
  ];
};

const RULES: Readonly<Record<string, Rule>> = {
  'runs-dry': bufferRules,
  'runs-dry-poor': bufferRules,
  'little-reserve': bufferRules,
  'feed-starved': feedRules,
  'feed-tight': feedRules,
  'suction-fast': feedRules,
  'direct-poor-spigot': feedRules,
  'tie-small': tieRules,
  'no-vent': ventRules,
  'vent-small': ventRules,
  'bypass-hot': bypassRules,
  'return-tight': bypassRules,
  'return-bubbles': bypassRules,
  'reel-small': reelRules,
  'reel-street': reelRules,
  'reel-order': reelRules,
  'reel-cross': reelRules,
  'run-short': runRules,
  'surface-harsh': surfaceRules,
  'nozzle-set': setRules,
  'gun-weak': gunRules,
  'gun-strong': gunRules,
  'unloader-high': machineRules,
  'unloader-cycles': machineRules,
  'engine-small': machineRules,
  'outlet-outside': outletRules,
  'no-feed': openRules,
  'no-gun': openRules,
};

/** Changes that might answer a finding. Not every one will: they are re-assessed before anyone sees them. */
export function candidates(finding: Finding, rig: Rig, doc: RigDocument, now: Assessment): Candidate[] {
  return RULES[finding.code]?.(finding, rig, doc, now) ?? [];
}
