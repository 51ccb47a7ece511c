import { bufferCautions } from './cautions.js';
import { Draws } from '../../solve/mean-draw.js';
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
  reads: ['all water', 'job', 'walls and ways out'],
  assess: ({ cases, rig }, { fills, chemical: { drawnFrom } }) => {
    const draws = new Draws(cases, rig.brief.triggerShare);
    const runs: Runs = new Map();
    return { tanks: rig.tanks.map((t) => assessTank(cases, t, draws, fills, drawnFrom, runs)) };
  },
  rests: (rig, a) => [
    'heel-share',
    ...(rig.lines.some((l) => l.role === 'fill' && l.parts.some((p) => p.kind === 'valve' && p.is === 'float-valve')) ? (['float-travel'] as const) : []),
    ...(a.tanks.some((t) => t.tie) ? (['tie-difference', 'tie-starves'] as const) : []),
  ],
  findings: ({ cases, rig }, a) => rig.tanks.flatMap((t, i) => tankFindings(cases, t, a.tanks[i])),
  cautions: bufferCautions,
};
