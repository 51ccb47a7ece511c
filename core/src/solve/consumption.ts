import type { AssumptionValues } from '../assumption/register.js';
import { WASH_IDS, type WashSurface } from '../assumption/wash-surfaces.js';
import type { Mix } from '../rig/schema.js';
import type { Rig } from '../rig/schema.js';
import { type Figure, figure, input } from '../working/figure.js';

/** What one kind of job asks of a mix. */
export interface WashNeed {
  readonly surface: WashSurface;
  readonly areaM2: number;
  readonly perDay: number;
  /** Trade share at the wall. */
  readonly wanted: number;
  /** Finished mix and rinse for one job, m³. */
  readonly mixM3: number;
  readonly rinseM3: number;
  /** False when the brief names no washes and a usual day stands in. */
  readonly briefed: boolean;
}

/** Strength that a mix is wanted at. */
export const wantedStrength = (mix: Mix, values: AssumptionValues): number => mix.wanted ?? values[WASH_IDS[mix.surface].strength];

/** The day's jobs that each mix serves: those of its surface; what no mix is meant for goes to the first. */
export function washNeeds(rig: Rig, mix: Mix, values: AssumptionValues): WashNeed[] {
  const washes = rig.brief.washes;
  const need = (surface: WashSurface, areaM2: number, perDay: number, briefed: boolean): WashNeed => {
    const ids = WASH_IDS[surface];
    return {
      surface,
      areaM2,
      perDay,
      wanted: surface === mix.surface ? wantedStrength(mix, values) : values[ids.strength],
      mixM3: (areaM2 * values[ids.passes]) / values[ids.coverage],
      rinseM3: areaM2 / values[ids.rinse],
      briefed,
    };
  };
  if (!washes?.length) return [need(mix.surface, values['usual-wash-area'], values['usual-washes'], false)];
  const served = (surface: WashSurface): Mix | undefined => rig.mixes.find((m) => m.surface === surface) ?? rig.mixes[0];
  return washes.filter((w) => served(w.surface)?.id === mix.id).map((w) => need(w.surface, w.area, w.perDay, true));
}

/** Days of work in a week. */
export const daysPerWeek = (rig: Rig): number => rig.brief.daysPerWeek ?? 5;

/** What a day uses up, m³: of each mix what one job takes, m³, and its jobs. */
export const dayUse = (uses: readonly { readonly name: string; readonly perJobM3: number; readonly jobs: number }[]): Figure =>
  figure(
    uses.reduce((sum, u) => sum + u.perJobM3 * u.jobs, 0),
    'volume',
    'day-use',
    uses
      .filter((u) => u.perJobM3 > 0)
      .flatMap((u) => [input('V_job', `${u.name}, a job`, u.perJobM3, 'volume'), input('n', `${u.name}, jobs`, u.jobs, 'number')]),
  );
