import type { Judged } from '../assessment.js';
import { type FindingFigure, type Kinds, places } from '../kind.js';
import { checkRules, flushRules, mixRules, siphonRules } from './fixes.js';
import type { MixResult } from './result.js';

export type MixCode =
  | 'wash-no-mix'
  | 'mix-open'
  | 'batch-impossible'
  | 'mix-weak'
  | 'mix-strong'
  | 'mix-drifts'
  | 'mix-strays'
  | 'soap-off'
  | 'flush-partial'
  | 'no-check'
  | 'siphon';

const mix = (a: Judged, id: string): MixResult | undefined => a.chemical.mixes.find((m) => m.mixId === id);
/** How far the strengths of a mix stray from what is wanted, as a share of it. */
const stray = (label: string, of: (m: MixResult) => readonly number[]): FindingFigure => ({
  label,
  dimension: 'ratio',
  better: 'less',
  step: 0.005,
  of: (a, id) => {
    const m = mix(a, id);
    return m && m.wanted.value > 0 ? Math.max(...of(m).map((s) => Math.abs(s / m.wanted.value - 1))) : 0;
  },
});
const off = stray('off the target strength', (m) => [m.first.value]);

export const MIX_KINDS: Kinds<MixCode> = {
  'wash-no-mix': { figure: places('wash-no-mix') },
  'mix-open': { scale: 'practice', figure: places('mix-open') },
  'batch-impossible': { figure: places('batch-impossible'), rules: mixRules },
  'mix-weak': { figure: off, rules: mixRules },
  'mix-strong': { figure: off, rules: mixRules },
  'mix-drifts': { figure: stray('drift over the day', (m) => [m.last.value]), rules: mixRules, minor: true },
  'mix-strays': { figure: stray('straying', (m) => [m.lowest, m.highest]), rules: mixRules },
  'soap-off': {
    scale: 'practice',
    figure: {
      label: 'off the target soap',
      dimension: 'ratio',
      better: 'less',
      step: 0.02,
      of: (a, id) => Math.max(0, ...(mix(a, id)?.soaps ?? []).map((s) => (s.dose > 0 ? Math.abs(s.share / s.dose - 1) : 0))),
    },
    rules: mixRules,
  },
  'flush-partial': {
    scale: 'practice',
    figure: { label: 'parts not rinsed', dimension: 'number', better: 'less', step: 0.5, of: (a, id) => mix(a, id)?.unrinsed.length ?? 0 },
    rules: flushRules,
  },
  'no-check': { scale: 'practice', figure: places('no-check'), rules: checkRules },
  siphon: { scale: 'practice', figure: places('siphon'), rules: siphonRules },
};
