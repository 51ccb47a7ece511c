import { formatQuantity, nozzleCode, type RigDocument, si, type Station, type UnitSystem, type Verdict } from '@pozzo/core';
import type { ToldAssessment } from '../../workers/assessment-part';
import { givesWords, lineWords } from './line-words';
import { type Marks, marksOf } from './marks';
import { tankWords, usableLeft } from './tank-words';
import { drawMix } from './waterway-mixes';
import { GUN_X, MACHINE_X, REEL_X, TANK_W, TANK_X, WATERWAY_WIDTH } from './waterway-places';
import { spell } from '@pozzo/core/page';

export interface Point {
  readonly x: number;
  readonly y: number;
}

/** What every drawn stretch shares: where it leads, what it says, whether it is the one that shouts. */
export interface Stretch {
  readonly key: string;
  readonly station: Station;
  readonly subjectId: string;
  readonly verdict: Verdict;
  readonly loud: boolean;
  readonly spoken: string;
}

export interface PipeStretch extends Stretch {
  readonly kind: 'fill' | 'feed' | 'hose' | 'tie' | 'return' | 'chem' | 'stream';
  readonly path: string;
  readonly width: number;
  readonly pill?: Point & { readonly text: string; readonly width: number };
  readonly title?: Point & { readonly text: string; readonly sub: string };
  readonly below?: Point & { readonly text: string };
  readonly mark?: Point;
  readonly flowing: boolean;
}

export interface TankStretch extends Stretch {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly name: string;
  readonly size: string;
  /** Shares of the tank's height. */
  readonly start: number;
  readonly end: number;
  readonly heel: number;
  readonly big: string;
  /** What the big figure tells. */
  readonly bigSub: string;
  readonly over: string;
  readonly chemical: boolean;
}

export interface NodeStretch extends Stretch {
  readonly kind: 'spigot' | 'machine' | 'gun' | 'reel' | 'mix' | 'soft-pump';
  readonly x: number;
  readonly y: number;
  readonly r: number;
  readonly name: string;
  readonly sub: string;
  readonly mark?: Point;
}

export interface WaterwayDrawing {
  readonly width: number;
  readonly height: number;
  readonly pipes: readonly PipeStretch[];
  readonly tanks: readonly TankStretch[];
  readonly nodes: readonly NodeStretch[];
  /** Drawn at one moment: what does not flow stands back. */
  readonly momentary: boolean;
}

/** What a part of the drawing is drawn with: what it is of, how it prints, where tanks stand, and what is drawn already. */
export interface Pen {
  readonly doc: RigDocument;
  readonly a: ToldAssessment;
  readonly system: UnitSystem;
  readonly q: (value: number, dimension: Parameters<typeof formatQuantity>[1], digits?: number) => string;
  readonly marks: Marks;
  readonly stretch: (key: string, station: Station, subjectId: string, what: string) => Stretch;
  readonly widthOf: (flowM3s: number) => number;
  readonly tankBox: ReadonlyMap<string, { readonly x: number; readonly y: number; readonly w: number; readonly h: number }>;
  readonly pipes: PipeStretch[];
  readonly nodes: NodeStretch[];
}

/** Height that one gun's hose and words take. */
const GUN_STEP = 116;
const WORDS: Readonly<Record<Verdict, string>> = { fed: 'fed', tight: 'tight', starved: 'starved', stop: 'stop' };

/** Height that each tank wants: room for its fill lines, less for chemicals, which have none. */
function tankRows(doc: RigDocument): { least: number; grows: boolean }[] {
  const anyWater = doc.tanks.some((t) => t.holds === undefined);
  return doc.tanks.map((t) => {
    const fills = doc.lines.filter((l) => l.role === 'fill' && l.to.at === 'tank' && l.to.id === t.id).length;
    return t.holds === undefined ? { least: Math.max(106, fills * 112 + 24), grows: true } : { least: 78, grows: !anyWater };
  });
}

/**
 * The waterway as a drawing: source, fill, tank, feed, pump, hose, gun from left to right, a lane for each machine.
 * A pure function of document and assessment.
 */
export function layoutWaterway(doc: RigDocument, a: ToldAssessment, system: UnitSystem): WaterwayDrawing {
  const q = (value: number, dimension: Parameters<typeof formatQuantity>[1], digits?: number): string =>
    formatQuantity(value, dimension, system, digits ? { digits } : {});
  const marks = marksOf(doc, a);
  const stretch = (key: string, station: Station, subjectId: string, what: string): Stretch => {
    const verdict = marks.of(key);
    return { key, station, subjectId, verdict, loud: marks.loud(key), spoken: `${what}: ${WORDS[verdict]}` };
  };

  // Lanes: one for each machine, tall enough for its guns.
  const gunsOf = (id: string): string[] => a.outlets.filter((o) => o.machineIds[0] === id).map((o) => o.outletId);
  const lanes: { id: string; y: number; height: number }[] = [];
  let y = 36;
  for (const m of doc.machines) {
    const height = Math.max(128, gunsOf(m.id).length * GUN_STEP);
    lanes.push({ id: m.id, y: y + height / 2, height });
    y += height;
  }
  // A lane for each mix, below the machines.
  const mixLanes = a.chemical.mixes.map((m) => {
    const lane = { mix: m, y: y + 56 };
    y += 112;
    return lane;
  });
  const rows = tankRows(doc);
  const contentHeight = Math.max(
    y - 36,
    128,
    rows.reduce((sum, r) => sum + r.least, 0),
  );
  const height = contentHeight + 64;
  if (lanes.length + mixLanes.length && contentHeight > y - 36) {
    const shift = (contentHeight - (y - 36)) / 2;
    [...lanes, ...mixLanes].forEach((l) => (l.y += shift));
  }

  const flows = Object.values(a.lineFlow).map(Math.abs);
  const most = Math.max(...flows, 1e-9);
  const widthOf = (flow: number): number => 4 + 6 * Math.sqrt(Math.min(Math.abs(flow) / most, 1));

  const pipes: PipeStretch[] = [];
  const nodes: NodeStretch[] = [];
  const tanks: TankStretch[] = [];

  // Tanks, one above another; what height is left over goes to those that hold water.
  const spare = (contentHeight + 8 - rows.reduce((sum, r) => sum + r.least, 0)) / Math.max(rows.filter((r) => r.grows).length, 1);
  const tankBox = new Map<string, { x: number; y: number; w: number; h: number }>();
  let tankY = 38;
  doc.tanks.forEach((t, i) => {
    const row = rows[i].least + (rows[i].grows ? Math.max(spare, 0) : 0);
    const box = { x: TANK_X, y: tankY, w: TANK_W, h: row - (rows.length > 1 ? 18 : 0) };
    tankY += row;
    tankBox.set(t.id, box);
    const r = a.tanks[i];
    const series = r.series.volumeM3;
    const top = r.fullVolumeM3 || 1;
    const words = tankWords(r, q);
    tanks.push({
      ...stretch(`tank:${t.id}`, 'tanks', t.id, `${t.name}, ${q(r.fullVolumeM3, 'volume')}`),
      x: box.x,
      y: box.y,
      width: box.w,
      height: box.h,
      chemical: t.holds !== undefined,
      name: t.name,
      size: q(r.ownVolumeM3, 'volume'),
      start: r.startVolumeM3 / top,
      end: series[series.length - 1] / top,
      heel: r.heelVolumeM3 / top,
      big: words.left ? `${Math.round(100 * usableLeft(r))}%` : words.dry ? 'dry' : '',
      bigSub: words.left ? 'usable left' : words.dry && `after ${words.dry}`,
      over: r.tiedIds[0] === t.id && words.left && words.dry ? `dry ${words.dry}` : '',
    });
  });

  // Fill lines.
  const spigotY = new Map<string, number>();
  doc.lines
    .filter((l) => l.role === 'fill' && l.to.at === 'tank')
    .forEach((l) => {
      const box = tankBox.get(l.to.id ?? '');
      const fill = a.fills.find((f) => f.lineId === l.id);
      if (!box) return;
      const before = doc.lines.filter((x, i) => x.role === 'fill' && x.to.id === l.to.id && i < doc.lines.indexOf(l)).length;
      const at = box.y + Math.min(box.h / 2, 76) + before * 112;
      if (l.from.id && !spigotY.has(l.from.id)) spigotY.set(l.from.id, at);
      const from = spigotY.get(l.from.id ?? '') ?? at;
      const text = fill ? `${q(fill.arrives.value, 'flow')} in` : 'shut';
      pipes.push({
        ...stretch(`fill:${l.id}`, 'fill', l.id, `Fill line, ${text}`),
        kind: 'fill',
        path: from === at ? `M70 ${at}H${box.x}` : `M70 ${from}H104V${at}H${box.x}`,
        width: widthOf(fill?.arrives.value ?? 0),
        flowing: !!fill && fill.arrives.value > 0,
        pill: { x: 208, y: at, text, width: 116 },
        below: { x: 150, y: at + 36, text: `Fill ${lineWords(l, system)}` },
      });
    });
  doc.spigots.forEach((s, i) => {
    const at = spigotY.get(s.id) ?? lanes[i]?.y ?? 110;
    nodes.push({
      ...stretch(`spigot:${s.id}`, 'fill', s.id, `${s.name}, ${q(si(s.staticPressure, 'pressure'), 'pressure')} at rest`),
      kind: 'spigot',
      x: 44,
      y: at,
      r: 20,
      name: s.name,
      sub: `${q(si(s.staticPressure, 'pressure'), 'pressure')} at rest`,
    });
  });

  // Ties.
  doc.lines
    .filter((l) => l.role === 'tie')
    .forEach((l) => {
      const [p, o] = [tankBox.get(l.from.id ?? ''), tankBox.get(l.to.id ?? '')];
      if (!p || !o) return;
      const [upper, lower] = p.y < o.y ? [p, o] : [o, p];
      pipes.push({
        ...stretch(`tie:${l.id}`, 'tanks', l.from.id!, 'Tie between tanks'),
        kind: 'tie',
        path: `M${upper.x + 30} ${upper.y + upper.h}V${lower.y}`,
        width: 7,
        flowing: !l.closed,
      });
    });

  // A lane for each machine.
  doc.machines.forEach((m, i) => {
    const lane = lanes[i];
    const r = lanes.length > 2 ? 26 : 31;
    const feed = a.feeds.find((f) => f.machineId === m.id);
    const result = a.machines.find((x) => x.machineId === m.id);
    if (feed) {
      const box = tankBox.get(feed.sourceId);
      const lastLine = doc.lines.find((l) => l.id === feed.lineIds[feed.lineIds.length - 1]);
      const firstLine = doc.lines.find((l) => l.id === feed.lineIds[0]);
      const spare = feed.margin.value;
      const text = `${q(Math.abs(spare), 'length', 2)} ${spare < 0 ? 'short' : 'spare'}`;
      const start = box ? box.x + box.w : 70;
      const outY = box ? Math.min(Math.max(lane.y, box.y + 20), box.y + box.h - 14) : (spigotY.get(feed.sourceId) ?? lane.y);
      pipes.push({
        ...stretch(`feed:${m.id}`, 'feed', m.id, `Feed of ${m.name}, ${text}`),
        kind: 'feed',
        path: Math.abs(outY - lane.y) < 1 ? `M${start} ${lane.y}H${MACHINE_X - r}` : `M${start} ${outY}H${start + 22}V${lane.y}H${MACHINE_X - r}`,
        width: widthOf(si(m.flow, 'flow')),
        flowing: true,
        pill: { x: 566, y: lane.y, text, width: 124 },
        title: {
          x: 490,
          y: lane.y - 42,
          text: feed.boosted ? 'Feed, boosted' : feed.direct ? spell('From the ‹spigot›') : 'Feed',
          sub: lineWords(firstLine === lastLine ? lastLine : (lastLine ?? firstLine), system),
        },
      });
    }
    const bypass = a.bypasses.find((b) => b.machineId === m.id);
    const bypassBox = tankBox.get(bypass?.tankId ?? '');
    if (bypass) {
      const down = lane.y + r + 14;
      const returning = (result?.returned.value ?? 0) > 0.02 * si(m.flow, 'flow');
      const words =
        bypass.goesTo === 'tank'
          ? returning
            ? `returns ${q(result!.returned.value, 'flow', 2)}`
            : 'return to tank, idle'
          : `loops to inlet, hot in ${q(bypass.minutesToLimit.value, 'time', 2)}`;
      const end = bypassBox ? `H${bypassBox.x + bypassBox.w}` : `H${MACHINE_X - 48}V${lane.y}`;
      pipes.push({
        ...stretch(`return:${m.id}`, 'bypass', m.id, `Return of ${m.name}, ${words}`),
        kind: 'return',
        path: `M${MACHINE_X} ${lane.y + r}V${down}${end}`,
        width: 3,
        flowing: returning,
        below: { x: 490, y: down + 17, text: words },
      });
    }
    nodes.push({
      ...stretch(`machine:${m.id}`, 'machines', m.id, `${m.name}, ${givesWords(m.flow, result, system)}`),
      verdict: feed ? marks.of(`feed:${m.id}`, `machine:${m.id}`) : 'starved',
      kind: 'machine',
      x: MACHINE_X,
      y: lane.y,
      r,
      name: m.name,
      sub: `${givesWords(m.flow, result, system)} · ${q(result?.pumpPressure.value ?? si(m.ratedPressure, 'pressure'), 'pressure', 4)}`,
      mark: { x: MACHINE_X - 44, y: lane.y - r - 28 },
    });

    const guns = gunsOf(m.id);
    guns.forEach((gunId, g) => {
      const o = a.outlets.find((x) => x.outletId === gunId)!;
      const outlet = doc.outlets.find((x) => x.id === gunId)!;
      const gy = lane.y + (g - (guns.length - 1) / 2) * GUN_STEP;
      const lastLine = doc.lines.find((l) => l.id === o.lineIds[o.lineIds.length - 1]);
      const hose = stretch(`gun:${gunId}`, 'guns', gunId, `${outlet.name}, ${q(o.pressure.value, 'pressure', 4)}`);
      pipes.push({
        ...hose,
        kind: 'hose',
        path: guns.length === 1 ? `M${MACHINE_X + r} ${lane.y}H${GUN_X}` : `M${MACHINE_X + r} ${lane.y}H${MACHINE_X + r + 128}V${gy}H${GUN_X}`,
        width: widthOf(o.flow.value),
        flowing: true,
        title: { x: REEL_X - 46, y: gy - 40, text: `Hose ${lineWords(lastLine, system)}`, sub: '' },
        below: { x: REEL_X - 46, y: gy + 46, text: `loses ${q(o.lineLossPa, 'pressure')}` },
      });
      nodes.push({ ...hose, kind: 'reel', x: REEL_X, y: gy, r: 26, name: '', sub: '' });
      nodes.push({
        ...hose,
        kind: 'gun',
        x: GUN_X,
        y: gy,
        r: 20,
        name: outlet.name,
        sub: `${q(o.pressure.value, 'pressure', 4)} · ${q(o.flow.value, 'flow', 2)} · ${nozzleCode(Number(outlet.nozzle.size), Number(outlet.nozzle.angle))}`,
        mark: { x: GUN_X - 92, y: gy - 22 },
      });
    });
  });

  const pen: Pen = { doc, a, system, q, marks, stretch, widthOf, tankBox, pipes, nodes };
  mixLanes.forEach((lane) => drawMix(pen, lane.mix, lane.y));

  return { width: WATERWAY_WIDTH, height, pipes, tanks, nodes, momentary: false };
}

export type Drawn = { readonly track: string } & (
  { readonly is: 'pipe'; readonly of: PipeStretch } | { readonly is: 'tank'; readonly of: TankStretch } | { readonly is: 'node'; readonly of: NodeStretch }
);

/** Where a pipe begins, by its kind: pipes are gone through before the thing that they lead to. */
const PIPE_X: Readonly<Record<PipeStretch['kind'], number>> = {
  fill: 70,
  tie: TANK_X + 1,
  stream: 460,
  chem: 460,
  feed: 470,
  return: 480,
  hose: MACHINE_X + 1,
};

/** Everything drawn, in the order in which the keyboard goes through it: by columns from left to right, in each from top to bottom. */
export function leftToRight(w: WaterwayDrawing): readonly Drawn[] {
  const all: { x: number; y: number; drawn: Drawn }[] = [
    ...w.pipes.map((of) => ({ x: PIPE_X[of.kind], y: 0, drawn: { is: 'pipe' as const, of, track: `pipe ${of.key} ${of.path}` } })),
    ...w.tanks.map((of) => ({ x: of.x, y: of.y, drawn: { is: 'tank' as const, of, track: `tank ${of.key}` } })),
    ...w.nodes.map((of) => ({ x: of.x, y: of.y, drawn: { is: 'node' as const, of, track: `${of.kind} ${of.key}` } })),
  ];
  return all.sort((a, b) => a.x - b.x || a.y - b.y).map((x) => x.drawn);
}
