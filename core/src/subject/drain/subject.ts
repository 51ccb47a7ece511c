import { drainCautions } from './cautions.js';
import { stockOfTank } from '../../solve/loaded.js';
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
  reads: ['before the pumps', 'contents', 'dump lines'],
  assess: ({ cases, rig, stocks }, { chemical }) => ({
    drains: rig.tanks.map((t) => assessDrain(cases, t, emptied(cases, t), drawn(cases, t, chemical), stockOfTank(stocks, t))),
  }),
  findings: ({ cases, rig }, a) => rig.tanks.flatMap((t, i) => drainFindings(cases, t, a.drains[i])),
  cautions: drainCautions,
};
