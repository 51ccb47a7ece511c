import type { AssumptionId, AssumptionValues } from '../assumption/register.js';
import type { Rig } from '../rig/schema.js';
import { washNeeds } from './consumption.js';

/** Most jobs of a day that is made up. */
export const MOST_JOBS = 6;

/** A share of the time that a trigger can be pulled for, of one that was typed: a twentieth at least, never more than always. */
export const heldShare = (share: number): number => Math.min(Math.max(share, 0.05), 1);

/** Jobs of a day: as the day is written, else the longest and what is washed, one at least. */
export function jobsOf(rig: Rig, values: AssumptionValues): number {
  if (rig.brief.day) return rig.brief.day.jobs.length;
  const washes = rig.mixes.reduce((sum, mix) => sum + washNeeds(rig, mix, values).reduce((s, need) => s + Math.round(need.perDay), 0), 0);
  return Math.max(1, Math.min((rig.outlets.some((o) => o.open) ? 1 : 0) + washes, MOST_JOBS));
}

const WATER_WORK: ReadonlySet<string> = new Set(['pre-wet', 'wash', 'surface-clean', 'rinse']);

/** Rinsing after what is washed on a usual day, s. */
function rinsing(rig: Rig, values: AssumptionValues): number {
  const [machine] = rig.machines;
  if (!machine || !rig.outlets.some((o) => o.open)) return 0;
  return rig.mixes.reduce(
    (sum, mix) =>
      sum +
      washNeeds(rig, mix, values).reduce((s, need) => s + (Math.round(need.perDay) * need.rinseM3) / machine.flow / heldShare(values['day-rinse-trigger']), 0),
    0,
  );
}

/** Assumptions that the hours of a day which is not written rest on. */
export const hoursRest = (rig: Rig): AssumptionId[] =>
  rig.brief.day ? [] : ['day-rinse-trigger', ...(rig.brief.washes?.length ? rig.brief.washes : rig.mixes).map((w) => `wash-${w.surface}-rinse` as const)];

/** Running of the washers over a day, s: phases with water in hand as the day is written, else the longest job and what is rinsed. */
export const washingSeconds = (rig: Rig, values: AssumptionValues): number =>
  rig.brief.day
    ? rig.brief.day.jobs.reduce((sum, j) => {
        // Those of the crew who wash at the same time run the engine once.
        const byCrew = new Map<string, number>();
        for (const p of j.phases) if (WATER_WORK.has(p.kind)) byCrew.set(p.crew, (byCrew.get(p.crew) ?? 0) + p.time);
        return sum + Math.max(0, ...byCrew.values());
      }, 0)
    : (rig.outlets.some((o) => o.open) ? rig.brief.job : 0) + rinsing(rig, values);

/** A battery's day is as long as work and drives, s. */
export const workingSeconds = (rig: Rig, values: AssumptionValues, sprayingS: number): number =>
  rig.brief.day
    ? rig.brief.day.jobs.reduce((sum, j) => {
        const byCrew = new Map<string, number>();
        for (const p of j.phases) byCrew.set(p.crew, (byCrew.get(p.crew) ?? 0) + p.time);
        const all = byCrew.get('all') ?? 0;
        byCrew.delete('all');
        return sum + all + Math.max(0, ...byCrew.values());
      }, 0)
    : washingSeconds(rig, values) + sprayingS;

/** Time that a motor winds one reel's hose, s. */
export const windingSeconds = (hoseM: number, values: AssumptionValues): number => hoseM / values['reel-speed'];

/** Hose of a line that is wound on its reel, m. */
export const woundHose = (rig: Pick<Rig, 'lines'>, lineId: string): number =>
  (rig.lines.find((l) => l.id === lineId)?.parts ?? []).reduce((s, p) => s + (p.kind === 'hose' && p.use !== 'whip' ? p.length : 0), 0);
