import type { formatQuantity } from '@pozzo/core';
import type { ToldAssessment } from '../../workers/assessment-part';

type Quantity = (value: number, dimension: Parameters<typeof formatQuantity>[1], digits?: number) => string;

/** Share of the usable water that the job leaves; 0 for a tank that has none to use. */
export const usableLeft = (r: ToldAssessment['tanks'][number]): number => {
  const usable = r.fullVolumeM3 - r.heelVolumeM3;
  return usable > 0 ? Math.min(Math.max(r.leftM3 / usable, 0), 1) : 0;
};

/**
 * A tank's one story over the job: after how long it runs dry, or what is left to use. Empty for one that nothing draws
 * from. The time is that of the job as briefed; where only a poor tap lets it run dry, it says so.
 */
export function tankWords(r: ToldAssessment['tanks'][number], q: Quantity): { readonly dry: string; readonly left: string } {
  if (r.fullDraw.value <= 0) return { dry: '', left: '' };
  if (Number.isFinite(r.dryAfter.value)) return { dry: q(r.dryAfter.value, 'time'), left: '' };
  const left = `${Math.round(100 * usableLeft(r))}% usable left`;
  return Number.isFinite(r.dryAfterPoorS) ? { dry: `${q(r.dryAfterPoorS, 'time')}, poor tap`, left } : { dry: '', left };
}
