import { spell } from '../locale/spell.js';
import Papa from 'papaparse';
import type { AsTold } from '../working/figure.js';
import type { Assessment } from '../subject/assessment.js';
import { cableSize, gaugeName, sizesOf } from '../electrics/index.js';
import { formatQuantity } from '../quantity/format.js';
import type { UnitSystem } from '../quantity/dimension.js';
import type { Rig } from '../rig/schema.js';
import type { CableResult } from '../subject/circuit/result.js';
import { type Verdict, worse } from '../subject/verdict.js';

/** A block of a one-line diagram, in units of its own drawing: x to the right, y down. */
export interface OneLineBlock {
  readonly id: string;
  readonly kind: 'source' | 'battery' | 'panel' | 'load';
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly name: string;
  /** Live volts and amps, or what it is. */
  readonly says: string;
  /** Of the cable that leads to it: gauge, length, fuse; empty for what none leads to. */
  readonly cable: string;
  readonly verdict: Verdict;
}

/** A cable of it, square from block to block. */
export interface OneLineCable {
  readonly id: string;
  readonly points: readonly (readonly [x: number, y: number])[];
  readonly fused: boolean;
  readonly verdict: Verdict;
}

export interface OneLine {
  readonly width: number;
  readonly height: number;
  readonly blocks: readonly OneLineBlock[];
  readonly cables: readonly OneLineCable[];
}

const COLUMN = { source: 0, battery: 190, panel: 400, load: 650 } as const;
const WIDE = { source: 150, battery: 160, panel: 200, load: 230 } as const;
const TALL = 60;
const ROW = 70;
const GAP = 20;

/** AWG, length and fuse of a cable in words. */
export function cableWords(c: CableResult, units: UnitSystem): string {
  const gauge = c.gauge === undefined ? 'none is sold' : cableSize(c.gauge);
  const fuse = c.fuseA === undefined ? '' : ` · fuse ${formatQuantity(c.fuseA, 'current', units)}`;
  return `${gauge} · ${formatQuantity(c.lengthM, 'length', units)}${fuse}`;
}

const WHEN = { coil: 'engine on', alternator: 'at work', vehicle: 'driving', shore: 'overnight', solar: 'by day' } as const;

/** The batteries of a rig with what charges them and what hangs on them, as one line for every pair of wires. */
export function oneLine(rig: Rig, a: AsTold<Pick<Assessment, 'batteries' | 'cables' | 'circuits'>>, units: UnitSystem): OneLine {
  const blocks: OneLineBlock[] = [];
  const cables: OneLineCable[] = [];
  const block = (kind: OneLineBlock['kind'], id: string, y: number, name: string, says: string, verdict: Verdict, cable = ''): OneLineBlock => {
    const made = { id, kind, x: COLUMN[kind], y, width: WIDE[kind], height: TALL, name, says, cable, verdict };
    blocks.push(made);
    return made;
  };
  const q = (value: number, dimension: 'voltage' | 'current' | 'charge'): string => formatQuantity(value, dimension, units);
  let top = 0;
  for (const b of a.batteries) {
    const own = a.circuits.filter((c) => c.batteryId === b.batteryId);
    const cableOf = (c: (typeof own)[number]): CableResult | undefined => a.cables.find((x) => x.to === c.loadId && x.toName === c.name);
    // Loads behind one panel stand together.
    const order = [...own].sort((x, y) => place(cableOf(x), b.batteryId) - place(cableOf(y), b.batteryId));
    const sources = rig.chargers.filter((c) => c.battery === b.batteryId);
    const rows = Math.max(order.length, sources.length, 1);
    const middle = top + ((rows - 1) * ROW) / 2;
    const battery = block(
      'battery',
      b.batteryId,
      middle,
      b.name,
      `${q(b.volts, 'voltage')} · ${q(b.capacityAs, 'charge')}`,
      b.verdict,
      `${q(b.allOnA, 'current')} with all on`,
    );
    sources.forEach((c, i) => {
      const s = block('source', c.id, top + i * ROW + ((rows - sources.length) * ROW) / 2, c.name, `${q(c.current, 'current')} · ${WHEN[c.kind]}`, 'fed');
      cables.push({ id: `from-${c.id}`, points: square(s, battery), fused: false, verdict: 'fed' });
    });
    const panels = new Map<string, OneLineBlock>();
    for (const p of rig.panels) {
      const lines = order.flatMap((c, i) => (cableOf(c)?.from === p.id ? [i] : []));
      if (!lines.length) continue;
      const feed = a.cables.find((x) => x.to === p.id);
      const y = top + ((lines[0] + lines[lines.length - 1]) / 2) * ROW;
      const made = block('panel', p.id, y, p.name, feed ? q(feed.currentA, 'current') : '', 'fed', feed ? cableWords(feed, units) : '');
      panels.set(p.id, made);
      if (feed)
        cables.push({
          id: `to-${p.id}`,
          points: square(battery, made),
          fused: feed.fuseA !== undefined,
          verdict: 'fed',
        });
    }
    order.forEach((c, i) => {
      const cable = cableOf(c);
      const load = block(
        'load',
        c.loadId,
        top + i * ROW,
        c.name,
        `${q(c.voltage, 'voltage')} · ${q(c.current.value, 'current')}`,
        c.verdict,
        cable ? cableWords(cable, units) : '',
      );
      const from = (cable && panels.get(cable.from)) ?? battery;
      cables.push({
        id: `to-${c.loadId}-${i}`,
        points: square(from, load),
        fused: cable?.fuseA !== undefined,
        verdict: c.verdict,
      });
    });
    top += rows * ROW + GAP;
  }
  return { width: COLUMN.load + WIDE.load, height: Math.max(top - GAP - (ROW - TALL), TALL), blocks, cables };
}

/** Loads on the battery itself first, then those behind its panels. */
const place = (c: CableResult | undefined, batteryId: string): number => (c === undefined || c.from === batteryId ? 0 : 1);

/** From one block's side to the next's: along, down, along; turning in the gap before the next column. */
function square(a: OneLineBlock, b: OneLineBlock): readonly (readonly [number, number])[] {
  const [x0, y0, x1, y1] = [a.x + a.width, a.y + a.height / 2, b.x, b.y + b.height / 2];
  // A fuse has its place before the turn.
  const x = x0 + 32;
  return y0 === y1
    ? [
        [x0, y0],
        [x1, y1],
      ]
    : [
        [x0, y0],
        [x, y0],
        [x, y1],
        [x1, y1],
      ];
}

const escaped = (text: string): string => text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;').replace(/"/g, '&quot;');
const COLOUR: Readonly<Record<Verdict, string>> = { fed: '#17262b', tight: '#b3540a', starved: '#a3230f', stop: '#a3230f' };

/** The one-line diagram as an SVG file. */
export function oneLineSvg(rig: Rig, a: AsTold<Pick<Assessment, 'batteries' | 'cables' | 'circuits'>>, units: UnitSystem): string {
  const d = oneLine(rig, a, units);
  const margin = 16;
  const worst = d.blocks.reduce<Verdict>((v, b) => worse(v, b.verdict), 'fed');
  const cables = d.cables.map((c) => {
    const fuse = c.fused
      ? `<rect x="${c.points[0][0] + 6}" y="${c.points[0][1] - 4}" width="16" height="8" rx="2" fill="#ffffff" stroke="${COLOUR[c.verdict]}" stroke-width="1.2"/>`
      : '';
    return `<polyline points="${c.points.map((p) => p.join(',')).join(' ')}" fill="none" stroke="${COLOUR[c.verdict]}" stroke-width="1.6"/>${fuse}`;
  });
  const blocks = d.blocks.map(
    (b) =>
      `<rect x="${b.x}" y="${b.y}" width="${b.width}" height="${b.height}" rx="4" fill="#ffffff" stroke="${COLOUR[b.verdict]}" stroke-width="1.6"/><text x="${b.x + 8}" y="${b.y + 18}" font-size="14" font-weight="600" fill="#17262b">${escaped(b.name)}</text><text x="${b.x + 8}" y="${b.y + 35}" font-size="13" fill="#17262b">${escaped(b.says)}</text><text x="${b.x + 8}" y="${b.y + 52}" font-size="12" fill="#516167">${escaped(b.cable)}</text>`,
  );
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${d.width + 2 * margin}" height="${d.height + 2 * margin}" viewBox="${-margin} ${-margin} ${d.width + 2 * margin} ${d.height + 2 * margin}" font-family="Barlow, Arial, sans-serif">
<title>${escaped(rig.name)}: one-line diagram</title>
<desc>${worst === 'fed' ? 'Every cable carries its fuse.' : 'What is wrong is drawn in red.'} One line stands for both wires.</desc>
${[...cables, ...blocks].join('\n')}
</svg>
`;
}

/** A row of the wire list. */
export interface WireRow {
  readonly from: string;
  readonly to: string;
  readonly gauge: string;
  /** mm² of copper. */
  readonly area: string;
  readonly colour: string;
  readonly length: string;
  readonly fuse: string;
  readonly switch: string;
  readonly chosen: string;
}

/** Every stretch of cable, there and back, with its ends; what is chosen and not yet typed says so. */
export const wireList = (a: AsTold<Pick<Assessment, 'cables'>>, units: UnitSystem): readonly WireRow[] =>
  a.cables.map((c) => ({
    from: c.fromName,
    to: c.toName,
    gauge: c.gauge === undefined || sizesOf(c.gauge) === 'mm2' ? '' : gaugeName(c.gauge),
    area: c.areaM2 === undefined ? '' : (c.areaM2 * 1e6).toFixed(1),
    colour: c.colour ?? '',
    length: formatQuantity(c.lengthM, 'length', units).replace(/\u202f|\u00a0/g, ' '),
    fuse: c.fuseA === undefined ? '' : formatQuantity(c.fuseA, 'current', units).replace(/\u202f|\u00a0/g, ' '),
    switch: c.switch ?? '',
    chosen: c.typedGauge ? 'as typed' : c.gauge === undefined ? 'none is sold' : 'chosen',
  }));

const HEAD: Readonly<Record<keyof WireRow, string>> = {
  from: 'From',
  to: 'To',
  gauge: 'AWG',
  area: 'mm2',
  colour: '‹Color›',
  length: 'One way',
  fuse: 'Fuse',
  switch: 'Switch',
  chosen: 'Cable',
};

/** The list as CSV (RFC 4180): quoted where it must be, never a formula. */
export function wireCsv(rows: readonly WireRow[]): string {
  const keys = Object.keys(HEAD) as (keyof WireRow)[];
  return `${Papa.unparse([keys.map((k) => spell(HEAD[k])), ...rows.map((r) => keys.map((k) => r[k]))], { escapeFormulae: true })}\r\n`;
}
