import { flatMap } from '../../lists.js';
import { fillCautions } from './cautions.js';
import { beforePumps, feedPartOf } from '../reads.js';
import type { Subject } from '../subject.js';
import { assessFill, fillFindings, fills } from './fill.js';
import { FILL_KINDS, type FillCode } from './kinds.js';
import type { FillAnswers } from './result.js';

/** What arrives from the spigots. */
export const FILL: Subject<FillAnswers, object, FillCode> = {
  name: 'fill',
  scale: 'feeding',
  kinds: FILL_KINDS,
  reads: beforePumps,
  assess: ({ cases, rig, each }) => ({
    fills: flatMap(rig.lines.filter(fills), (l) =>
      each(
        `fill ${l.id}`,
        (of) => [l, ...feedPartOf(of, `line:${l.id}`)],
        () => [assessFill(cases, l)],
      ),
    ),
  }),
  findings: ({ cases }, a) => flatMap(a.fills, (f) => fillFindings(cases, f)),
  rests: (_rig, a) => [
    ...(a.fills.length ? (['poor-spigot', 'good-spigot', 'poor-pressure'] as const) : []),
    ...(a.fills.some((f) => f.taps.length) ? (['hand-least', 'bucket'] as const) : []),
  ],
  cautions: fillCautions,
};
