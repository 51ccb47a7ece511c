import { type DayResult, formatQuantity, type PhaseRun, type RigDocument, type UnitSystem } from '@pozzo/core';
import { serves } from '../../bench/waterway/waterway-moment';
import { clockWords } from '../../kit/clock';
import { paintOf, PHASE_ICONS, PHASE_NAMES } from './phase-names';

export interface BoardBlock {
  readonly key: string;
  readonly job: number;
  readonly phase: number;
  /** First row and how many it spans. */
  readonly row: number;
  readonly rows: number;
  /** Shares of the board's width. */
  readonly left: number;
  readonly width: number;
  readonly paint: 'water' | 'chem' | 'plain';
  readonly label: string;
  /** Too narrow for its name: drawn by its icon. */
  readonly narrow: boolean;
  readonly icon: string;
  readonly spoken: string;
  /** Of the block: waited in. */
  readonly waited: number;
  readonly undone: boolean;
}

export interface BoardBar {
  readonly row: number;
  readonly left: number;
  readonly width: number;
  readonly chem: boolean;
}

/** Time against place: short phases are given room to be pressed, so the axis stretches where they are. */
export interface BoardAxis {
  /** s after the day's start, rising. */
  readonly times: readonly number[];
  /** Shares of the board's width, rising. */
  readonly places: readonly number[];
}

export interface Board {
  readonly axis: BoardAxis;
  /** px. */
  readonly width: number;
  readonly rows: readonly { readonly label: string; readonly machine: boolean }[];
  readonly crew: number;
  readonly blocks: readonly BoardBlock[];
  /** When each machine runs. */
  readonly bars: readonly BoardBar[];
  readonly jobs: readonly { readonly name: string; readonly left: number; readonly width: number }[];
  readonly ticks: readonly { readonly left: number; readonly text: string }[];
  readonly seconds: number;
}

const STEPS = [900, 1800, 3600, 7200];
/** Usual width of an hour, in a long day less; least of a block, and least with room for its name, px. */
const HOUR = 96;
const HOUR_OF_LONG = 58;
const LEAST = 26;
const NAMED = 52;
/** Of a block that took no time at all, px. */
const SLIVER = 14;

function between(from: readonly number[], to: readonly number[], at: number): number {
  const last = from.length - 1;
  if (at <= from[0]) return to[0];
  if (at >= from[last]) return to[last];
  let i = 0;
  while (from[i + 1] < at) i++;
  const span = from[i + 1] - from[i];
  return span > 0 ? to[i] + ((to[i + 1] - to[i]) * (at - from[i])) / span : to[i];
}

/** Place of a time on the board, as a share of its width. */
export const placeAt = (axis: BoardAxis, seconds: number): number => between(axis.times, axis.places, seconds);
/** Time of a place on the board, s. */
export const timeAt = (axis: BoardAxis, share: number): number => between(axis.places, axis.times, share);

/** The axis of a day: even, but for phases too short to press, which are given the least width. */
function axisOf(day: DayResult, seconds: number): { axis: BoardAxis; width: number } {
  const times = [...new Set([0, seconds, ...day.phases.flatMap((p) => [p.fromS, p.toS])])].filter((t) => t >= 0 && t <= seconds).sort((a, b) => a - b);
  const hour = seconds > 5 * 3600 ? HOUR_OF_LONG : HOUR;
  const px = times.slice(1).map((t, i) => ((t - times[i]) / 3600) * hour);
  const inside = (p: PhaseRun): number[] => px.flatMap((_, i) => (times[i] >= p.fromS && times[i + 1] <= p.toS ? [i] : []));
  for (const p of [...day.phases].sort((a, b) => a.toS - a.fromS - (b.toS - b.fromS))) {
    const own = inside(p);
    const now = own.reduce((s, i) => s + px[i], 0);
    if (own.length && now < LEAST) for (const i of own) px[i] *= LEAST / now;
  }
  const width = px.reduce((s, x) => s + x, 0);
  let sum = 0;
  return { axis: { times, places: [0, ...px.map((x) => (sum += x) / width)] }, width: Math.round(width) };
}

/** A worked day as a board: a row for each of the crew and each machine, time from left to right. */
export function layoutBoard(day: DayResult, doc: RigDocument, system: UnitSystem): Board {
  const seconds = Math.max(day.lengthS, 60);
  const crew = Math.max(1, ...day.phases.map((p) => p.crew));
  const used = new Set(day.phases.flatMap((p) => machinesOf(doc, p)));
  const machines = [...doc.machines, ...(doc.softPumps ?? [])].filter((m) => used.has(m.id));
  const { axis, width } = axisOf(day, seconds);
  const x = (s: number): number => placeAt(axis, s);
  const step = STEPS.find((s) => seconds / s <= 9) ?? 14400;
  const first = Math.ceil(day.startsS / step) * step;
  return {
    axis,
    width,
    rows: [...Array.from({ length: crew }, (_, i) => ({ label: `Hand ${i + 1}`, machine: false })), ...machines.map((m) => ({ label: m.name, machine: true }))],
    crew,
    blocks: day.phases.map((p) => {
      const hand = nameOf(doc, p);
      const waited = p.waitedS > 1 ? `, ${formatQuantity(p.waitedS, 'time', system, { digits: 2 })} of it waiting` : '';
      const undone = p.undoneS > 1 ? `, ${formatQuantity(p.undoneS, 'time', system, { digits: 2 })} left undone` : '';
      return {
        key: `${p.job}:${p.phase}`,
        job: p.job,
        phase: p.phase,
        row: p.crew === 0 ? 0 : p.crew - 1,
        rows: p.crew === 0 ? crew : 1,
        left: x(p.fromS),
        width: Math.max(x(p.toS) - x(p.fromS), SLIVER / width),
        paint: paintOf(p.kind),
        label: PHASE_NAMES[p.kind],
        narrow: (x(p.toS) - x(p.fromS)) * width < NAMED,
        icon: PHASE_ICONS[p.kind],
        spoken: `${PHASE_NAMES[p.kind]}${hand ? `, ${hand}` : ''}, ${p.crew === 0 ? 'everybody' : `hand ${p.crew}`}, ${clockWords(day.startsS + p.fromS)} to ${clockWords(day.startsS + p.toS)}${waited}${undone}`,
        waited: p.toS > p.fromS ? Math.min(p.waitedS / (p.toS - p.fromS), 1) : 0,
        undone: p.undoneS > 1,
      };
    }),
    bars: day.phases.flatMap((p) =>
      machinesOf(doc, p).map((id) => ({
        row: crew + machines.findIndex((m) => m.id === id),
        left: x(p.fromS),
        width: x(p.toS) - x(p.fromS),
        chem: !doc.machines.some((m) => m.id === id),
      })),
    ),
    jobs: day.jobs.map((j) => ({ name: j.name, left: x(j.fromS), width: x(j.toS) - x(j.fromS) })),
    ticks: Array.from({ length: Math.floor((day.startsS + seconds - first) / step) + 1 }, (_, i) => ({
      left: x(first + i * step - day.startsS),
      text: clockWords(first + i * step),
    })),
    seconds,
  };
}

/** Washers and soft wash pumps that run in a phase. */
function machinesOf(doc: RigDocument, p: PhaseRun): string[] {
  const out: string[] = [];
  if (p.outletId) for (const m of doc.machines) if (serves(doc, m.id, p.outletId)) out.push(m.id);
  if (p.mixId) {
    const pump = doc.lines.find((l) => l.from.at === 'mix' && l.from.id === p.mixId && l.to.at === 'soft-pump')?.to.id;
    if (pump) out.push(pump);
  }
  return out;
}

function nameOf(doc: RigDocument, p: PhaseRun): string {
  if (p.mixId) return doc.mixes?.find((m) => m.id === p.mixId)?.name ?? '';
  return doc.outlets.find((o) => o.id === p.outletId)?.name ?? '';
}
