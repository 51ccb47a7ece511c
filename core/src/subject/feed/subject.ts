import type { Subject } from '../subject.js';
import { feedFindings } from './feed-findings.js';
import { assessFeed } from './feed.js';
import { FEED_KINDS, type FeedCode } from './kinds.js';
import type { FeedAnswers } from './result.js';
import { wrongLiquidFindings } from './wrong-liquid.js';

/** Whether every machine gets its water. */
export const FEED: Subject<FeedAnswers, object, FeedCode> = {
  name: 'feed',
  scale: 'feeding',
  kinds: FEED_KINDS,
  reads: ['before the pumps'],
  assess: ({ cases, rig }) => ({ feeds: rig.machines.flatMap((m) => assessFeed(cases, m) ?? []) }),
  findings: ({ cases, rig }, a) =>
    rig.machines.flatMap((m) => [
      ...wrongLiquidFindings(rig, m),
      ...feedFindings(
        cases,
        m,
        a.feeds.find((f) => f.machineId === m.id),
      ),
    ]),
  rests: (_rig, a) => [
    ...(a.feeds.length ? (['suction-fast', 'inlet-air', 'inlet-most'] as const) : []),
    ...(a.feeds.some((f) => f.otherWay) ? (['booster-pressure', 'booster-flow'] as const) : []),
    ...(a.feeds.some((f) => f.direct) ? (['poor-spigot', 'good-spigot', 'poor-pressure'] as const) : []),
    ...(a.feeds.some((f) => f.elbows.count > 0) ? (['elbow-rule'] as const) : []),
  ],
};
