import { fillCautions } from './cautions.js';
import type { Subject } from '../subject.js';
import { assessFill, fillFindings, fills, floatFindings } from './fill.js';
import { FILL_KINDS, type FillCode } from './kinds.js';
import type { FillAnswers } from './result.js';

/** What arrives from the spigots. */
export const FILL: Subject<FillAnswers, object, FillCode> = {
  name: 'fill',
  scale: 'feeding',
  kinds: FILL_KINDS,
  reads: ['before the pumps'],
  assess: ({ cases, rig }) => ({ fills: rig.lines.filter(fills).map((l) => assessFill(cases, l)) }),
  findings: ({ cases }, a) => [...a.fills.flatMap((f) => fillFindings(cases, f)), ...floatFindings(cases.rig)],
  rests: (_rig, a) => [
    ...(a.fills.length ? (['poor-spigot', 'good-spigot', 'poor-pressure'] as const) : []),
    ...(a.fills.some((f) => f.taps.length) ? (['hand-least', 'bucket'] as const) : []),
  ],
  cautions: fillCautions,
};
