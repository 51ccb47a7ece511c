import { flatMap } from '../../lists.js';
import { bufferCautions } from './cautions.js';
import { Draws } from '../../solve/mean-draw.js';
import { tiedWith } from '../../solve/vessels.js';
import { allWater, behindTanks } from '../reads.js';
import type { FillAnswers } from '../fill/result.js';
import type { MixAnswers } from '../mix/result.js';
import type { Subject } from '../subject.js';
import { assessTank, type Runs, tankFindings } from './buffer.js';
import { BUFFER_KINDS, type BufferCode } from './kinds.js';
import type { BufferAnswers } from './result.js';

/** Whether the water on board lasts the job. */
export const BUFFER: Subject<BufferAnswers, FillAnswers & MixAnswers, BufferCode> = {
  name: 'buffer',
  scale: 'feeding',
  kinds: BUFFER_KINDS,
  needs: ['fill', 'mix'],
  reads: (of) => [allWater(of), of.rig.brief.job, of.rig.brief.triggerShare],
  tells: ({ rig }) => rig.lines.map((l) => l.from),
  assess: ({ cases, rig, each }, { fills, chemical: { drawnFrom } }) => {
    const draws = each(
      'draws',
      (of) => [...behindTanks(of), rig.brief.triggerShare],
      () => new Draws(cases, rig.brief.triggerShare),
    );
    const runs: Runs = new Map();
    return {
      tanks: rig.tanks.map((t) => {
        const ids = tiedWith(cases, t).map((x) => x.id);
        return each(
          `buffer ${t.id}`,
          () => [
            draws,
            rig.brief.job,
            ...rig.lines.filter((l) => l.role === 'fill' && l.to.id !== undefined && ids.includes(l.to.id)),
            ...fills.filter((f) => ids.includes(f.tankId)),
            ...ids.map((id) => drawnFrom[id]),
          ],
          () => assessTank(cases, t, draws, fills, drawnFrom, runs),
        );
      }),
    };
  },
  rests: (rig, a) => [
    'heel-share',
    ...(rig.lines.some((l) => l.role === 'fill' && l.parts.some((p) => p.kind === 'valve' && p.is === 'float-valve')) ? (['float-travel'] as const) : []),
    ...(a.tanks.some((t) => t.tie) ? (['tie-difference', 'tie-starves'] as const) : []),
  ],
  findings: ({ cases, rig }, a) => flatMap(rig.tanks, (t, i) => tankFindings(cases, t, a.tanks[i])),
  cautions: bufferCautions,
};
