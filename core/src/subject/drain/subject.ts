import { flatMap } from '../../lists.js';
import { drainCautions } from './cautions.js';
import { beforePumps, feedPartOf } from '../reads.js';
import type { Reading, Subject } from '../subject.js';
import { assessDrain, drainFindings } from './drain.js';
import { DRAIN_KINDS, type DrainCode } from './kinds.js';
import type { DrainAnswers } from './result.js';

/** Every part before the pumps that draws on a tank. */
const drawsOn = (of: Reading, tankId: string): readonly unknown[] => [
  ...feedPartOf(of, `tank:${tankId}`),
  ...flatMap(of.rig.lines, (l) => (l.from.at === 'tank' && l.from.id === tankId ? feedPartOf(of, `line:${l.id}`) : [])),
];

/** How a tank is emptied, and whether its vent keeps up. */
export const DRAIN: Subject<DrainAnswers, object, DrainCode> = {
  name: 'drain',
  scale: 'rating',
  kinds: DRAIN_KINDS,
  reads: (of) => [beforePumps(of), ...of.rig.lines.filter((l) => l.role === 'dump')],
  assess: ({ cases, rig, each }) => ({
    drains: rig.tanks.map((t) =>
      each(
        `drain ${t.id}`,
        // What is drawn besides is drawn through its own feeds.
        (of) => [...drawsOn(of, t.id), ...rig.lines.filter((l) => l.role === 'dump')],
        () => assessDrain(cases, t),
      ),
    ),
  }),
  findings: ({ cases, rig }, a) => flatMap(rig.tanks, (t, i) => drainFindings(cases, t, a.drains[i])),
  cautions: drainCautions,
};
