import { type DayResult, formatQuantity, type PhaseRun, type RigDocument, type UnitSystem } from '@pozzo/core';
import { serves } from '../../waterway/waterway-moment';
import { clockWords } from '../../kit/clock';
import { paintOf, PHASE_NAMES } from './phase-names';

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

export interface Board {
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

/** A worked day as a board: a row for each of the crew and each machine, time from left to right. */
export function layoutBoard(day: DayResult, doc: RigDocument, system: UnitSystem): Board {
  const seconds = Math.max(day.lengthS, 60);
  const crew = Math.max(1, ...day.phases.map((p) => p.crew));
  const used = new Set(day.phases.flatMap((p) => machinesOf(doc, p)));
  const machines = [...doc.machines, ...(doc.softPumps ?? [])].filter((m) => used.has(m.id));
  const x = (s: number): number => s / seconds;
  const step = STEPS.find((s) => seconds / s <= 9) ?? 14400;
  const first = Math.ceil(day.startsS / step) * step;
  return {
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
        width: Math.max(x(p.toS - p.fromS), 0),
        paint: paintOf(p.kind),
        label: PHASE_NAMES[p.kind],
        spoken: `${PHASE_NAMES[p.kind]}${hand ? `, ${hand}` : ''}, ${p.crew === 0 ? 'everybody' : `hand ${p.crew}`}, ${clockWords(day.startsS + p.fromS)} to ${clockWords(day.startsS + p.toS)}${waited}${undone}`,
        waited: p.toS > p.fromS ? Math.min(p.waitedS / (p.toS - p.fromS), 1) : 0,
        undone: p.undoneS > 1,
      };
    }),
    bars: day.phases.flatMap((p) =>
      machinesOf(doc, p).map((id) => ({ row: crew + machines.findIndex((m) => m.id === id), left: x(p.fromS), width: x(p.toS - p.fromS), chem: !doc.machines.some((m) => m.id === id) })),
    ),
    jobs: day.jobs.map((j) => ({ name: j.name, left: x(j.fromS), width: x(j.toS - j.fromS) })),
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
