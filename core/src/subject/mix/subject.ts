import { mixCautions } from './cautions.js';
import type { Rig } from '../../rig/schema.js';
import { wayOf } from '../../solve/blend-network.js';
import { message } from '../../working/figure.js';
import { finding } from '../message-parts.js';
import type { Subject } from '../subject.js';
import { mixFindings, siphonFindings, unservedFindings } from './findings.js';
import { MIX_KINDS, type MixCode } from './kinds.js';
import { assessMix } from './mix.js';
import type { MixAnswers, MixResult } from './result.js';

/** What reaches the wall. */
export const MIX: Subject<MixAnswers, object, MixCode> = {
  name: 'mix',
  scale: 'strength',
  kinds: MIX_KINDS,
  reads: ['chemicals', 'water of injectors'],
  assess: ({ rig, values, cases, stocks, blends }) => {
    const mixes = rig.mixes.flatMap((m) => assessMix(cases, stocks, blends, m) ?? []);
    return { chemical: { mixes, drawnFrom: drawnFrom(rig, mixes, values['soft-wash-share']) } };
  },
  findings: ({ rig, cases, stocks }, a) => [
    ...rig.mixes.flatMap((mix) => {
      const result = a.chemical.mixes.find((x) => x.mixId === mix.id);
      return result
        ? mixFindings(cases, result)
        : [finding('mix-open', 'starved', 'mix', { kind: 'mix', id: mix.id }, message('{mix} does not reach a gun: its way is not whole.', { mix: mix.name }))];
    }),
    ...unservedFindings(rig, cases.values),
    ...siphonFindings(rig, stocks),
  ],
  rests: (rig, a) => [
    ...(a.chemical.mixes.length ? (['mix-tolerance', 'mix-limit', 'flush-clean'] as const) : []),
    ...(rig.mixes.length && !rig.brief.washes?.length ? (['usual-wash-area', 'usual-washes'] as const) : []),
    ...(rig.liquids.some((l) => l.kind === 'soap') ? (['gravity-soap'] as const) : []),
  ],
  cautions: mixCautions,
};

/** Mean flow that soft washing takes from each tank while a job lasts. Injectors take from the washer's own water. */
function drawnFrom(rig: Rig, mixes: readonly MixResult[], share: number): Record<string, number> {
  const out: Record<string, number> = {};
  for (const m of mixes) {
    const mix = rig.mixes.find((x) => x.id === m.mixId)!;
    if (!wayOf(rig, mix)) continue;
    for (const s of m.streams) if (s.tankId !== undefined) out[s.tankId] = (out[s.tankId] ?? 0) + s.flowM3s * share;
  }
  return out;
}
