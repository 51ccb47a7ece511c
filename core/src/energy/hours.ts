import type { AssumptionValues } from '../assumption/register.js';
import type { Rig } from '../rig/schema.js';

/** Jobs of a day: as the day is written, else what is washed, one at least. */
export const jobsOf = (rig: Rig): number => rig.brief.day?.jobs.length ?? Math.max(1, Math.round((rig.brief.washes ?? []).reduce((s, w) => s + w.perDay, 0)));

const WATER_WORK: ReadonlySet<string> = new Set(['pre-wet', 'wash', 'surface-clean', 'rinse']);

/** Running of the washers over a day, s: phases with water in hand as the day is written, else the longest job. */
export const washingSeconds = (rig: Rig): number =>
  rig.brief.day
    ? rig.brief.day.jobs.reduce((sum, j) => {
        // Those of the crew who wash at the same time run the engine once.
        const byCrew = new Map<string, number>();
        for (const p of j.phases) if (WATER_WORK.has(p.kind)) byCrew.set(p.crew, (byCrew.get(p.crew) ?? 0) + p.time);
        return sum + Math.max(0, ...byCrew.values());
      }, 0)
    : rig.brief.job;

/** A battery's day is as long as work and drives, s. */
export const workingSeconds = (rig: Rig, sprayingS: number): number =>
  rig.brief.day
    ? rig.brief.day.jobs.reduce((sum, j) => {
        const byCrew = new Map<string, number>();
        for (const p of j.phases) byCrew.set(p.crew, (byCrew.get(p.crew) ?? 0) + p.time);
        const all = byCrew.get('all') ?? 0;
        byCrew.delete('all');
        return sum + all + Math.max(0, ...byCrew.values());
      }, 0)
    : rig.brief.job + sprayingS;

/** Time that a motor winds one reel's hose, s. */
export const windingSeconds = (hoseM: number, values: AssumptionValues): number => hoseM / values['reel-speed'];

/** Hose of a line that is wound on its reel, m. */
export const woundHose = (rig: Pick<Rig, 'lines'>, lineId: string): number =>
  (rig.lines.find((l) => l.id === lineId)?.parts ?? []).reduce((s, p) => s + (p.kind === 'hose' && p.use !== 'whip' ? p.length : 0), 0);
