import type { MixAnswers } from '../mix/result.js';
import type { SoftPumpAnswers } from '../soft-pump/result.js';

/** Flow in each line of the chemical side, m³/s, tanks as the day starts. */
export function chemicalFlows({ mixes, softPumps }: (MixAnswers & SoftPumpAnswers)['chemical']): Readonly<Record<string, number>> {
  const out: Record<string, number> = {};
  for (const p of softPumps) for (const id of p.lineIds) out[id] = p.flow.value;
  for (const m of mixes) for (const s of m.streams) if (s.kind !== 'water' || m.way === 'proportioner') out[s.lineId] = s.flowM3s;
  return out;
}
