import { flatMap } from '../../lists.js';
import { bufferCautions } from './cautions.js';
import type { End, Tank } from '../../rig/schema.js';
import { shapeHeight } from '../../rig/tank-shape.js';
import type { Cases } from '../../solve/cases.js';
import { feedPath } from '../../solve/inlet.js';
import { Draws } from '../../solve/mean-draw.js';
import { tiedWith } from '../../solve/vessels.js';
import { allWater, behindTanks, gunPartOf } from '../reads.js';
import type { FillAnswers } from '../fill/result.js';
import type { MixAnswers } from '../mix/result.js';
import type { Reading, Subject } from '../subject.js';
import { assessTank, type Runs, tankFindings } from './buffer.js';
import { BUFFER_KINDS, type BufferCode } from './kinds.js';
import type { BufferAnswers } from './result.js';

/** What the answer for a tank that is tied to none hangs on: itself, what is drawn, how deep, and its own lines. */
function tankAlone({ rig, wet }: Pick<Reading, 'rig' | 'wet'>, cases: Cases, tank: Tank, draws: Draws): readonly unknown[] {
  const by = cases.heelBy.get(tank.id);
  const joins = (end: End): boolean => end.at === 'tank' && end.id === tank.id;
  return [
    rig.assumptions,
    ...wet([tank]),
    cases.heel.get(tank.id),
    ...(by ? [by.outletM, by.boreM, by.flowM3s, by.share] : []),
    ...rig.lines.filter((l) => joins(l.from) || joins(l.to)),
    ...draws.of(rig.tanks.indexOf(tank)),
  ];
}

/** The tanks by their places, and which of them each machine draws on: what guns take differs by what comes back alone. */
const tanksDrawn = ({ rig, asDrawn }: Cases): readonly unknown[] => [
  ...rig.tanks.map((t) => t.id),
  ...flatMap(rig.machines, (m) => [m.id, feedPath(asDrawn, m)[0]?.from.id]),
];

/** Whether the water on board lasts the job. */
export const BUFFER: Subject<BufferAnswers, FillAnswers & MixAnswers, BufferCode> = {
  name: 'buffer',
  scale: 'feeding',
  kinds: BUFFER_KINDS,
  needs: ['fill', 'mix'],
  reads: (of) => [allWater(of), of.rig.brief.job, of.rig.brief.triggerShare],
  tells: ({ rig }) => [...rig.lines.map((l) => l.from), ...rig.tanks.map((t) => shapeHeight(t.shape))],
  assess: ({ cases, rig, each }, { fills, chemical: { drawnFrom } }) => {
    const draws = each(
      'draws',
      (of) => [...behindTanks(of), rig.brief.triggerShare],
      () => new Draws(cases, rig.brief.triggerShare, (gun, make) => each(`draws ${gun}`, (of) => [gunPartOf(of, gun), ...tanksDrawn(cases)], make)),
    );
    const runs: Runs = new Map();
    return {
      tanks: rig.tanks.map((t) => {
        const ids = tiedWith(cases, t).map((x) => x.id);
        return each(
          `buffer ${t.id}`,
          (of) => [
            // What crosses a tie hangs on more than the tanks.
            ...(ids.length > 1 ? [draws] : tankAlone(of, cases, t, draws)),
            rig.brief.job,
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
