import { flatMap } from '../../lists.js';
import { drainCautions } from './cautions.js';
import { stockOfTank } from '../../solve/loaded.js';
import { tiedWith } from '../../solve/vessels.js';
import { air, beforePumps, contents, flowed } from '../reads.js';
import type { MixAnswers } from '../mix/result.js';
import type { TransferAnswers } from '../transfer/result.js';
import type { Subject } from '../subject.js';
import { assessDrain, drainFindings, drawn, emptied } from './drain.js';
import { DRAIN_KINDS, type DrainCode } from './kinds.js';
import type { DrainAnswers } from './result.js';

/** How a tank is emptied, and whether its vent keeps up. */
export const DRAIN: Subject<DrainAnswers, MixAnswers & TransferAnswers, DrainCode> = {
  name: 'drain',
  scale: 'rating',
  kinds: DRAIN_KINDS,
  needs: ['mix', 'transfer'],
  // What is in a tank is let out by its weight.
  reads: (of) => [beforePumps(of), ...contents(of), ...of.rig.lines.filter((l) => l.role === 'dump')],
  assess: ({ cases, rig, stocks, each }, { chemical }) => {
    const lines = rig.lines.filter((l) => l.role === 'dump' || l.role === 'tie');
    return {
      drains: rig.tanks.map((t) => {
        const tied = tiedWith(cases, t);
        const own = lines.filter((l) => tied.some((x) => x.id === l.from.id || x.id === l.to.id));
        const by = each(
          `emptied ${t.id}`,
          (of) => [...air(rig), ...of.wet(tied), ...own],
          () => emptied(cases, t),
        );
        const [draw, density] = [drawn(cases, t, chemical), stockOfTank(stocks, t)];
        return each(
          `drain ${t.id}`,
          (of) => [...air(rig), ...of.wet([t]), by, flowed(draw), density],
          () => assessDrain(cases, t, by, draw, density),
        );
      }),
    };
  },
  findings: ({ cases, rig }, a) => flatMap(rig.tanks, (t, i) => drainFindings(cases, t, a.drains[i])),
  cautions: drainCautions,
};
