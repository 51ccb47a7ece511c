import { type FindingFigure, type Kinds, places } from '../kind.js';
import { feedRules } from './fixes.js';
import { openRules } from '../open-valves.js';
import { wrongLiquidRules } from './wrong-liquid.js';

export type FeedCode =
  'feed-chemical' | 'feed-antifreeze' | 'no-feed' | 'feed-starved' | 'feed-tight' | 'inlet-air' | 'inlet-high' | 'direct-poor-spigot' | 'suction-fast';

const margin: FindingFigure = {
  label: 'inlet head',
  dimension: 'length',
  better: 'more',
  step: 0.02,
  of: (a, id) => a.feeds.find((f) => f.machineId === id)?.margin.value ?? -100,
};

export const FEED_KINDS: Kinds<FeedCode> = {
  'feed-chemical': { figure: places('feed-chemical'), rules: wrongLiquidRules },
  'feed-antifreeze': { figure: places('feed-antifreeze'), rules: wrongLiquidRules },
  'no-feed': {
    figure: { label: 'machines without water', dimension: 'number', better: 'less', step: 0.5, of: (a, _id, rig) => rig.machines.length - a.feeds.length },
    rules: openRules,
  },
  'feed-starved': { figure: margin, rules: feedRules },
  'feed-tight': { figure: margin, rules: feedRules, minor: true },
  'inlet-air': {
    figure: {
      label: 'pressure at the inlet',
      dimension: 'pressure',
      better: 'more',
      step: 200,
      of: (a, id) => a.feeds.find((f) => f.machineId === id)?.inlet.mean.value ?? -1e5,
    },
    rules: feedRules,
    minor: true,
  },
  'inlet-high': {
    figure: {
      label: 'most at the inlet',
      dimension: 'pressure',
      better: 'less',
      step: 200,
      of: (a, id) => a.feeds.find((f) => f.machineId === id)?.highest.mean.value ?? 0,
    },
    rules: feedRules,
    minor: true,
  },
  'direct-poor-spigot': { figure: margin, rules: feedRules },
  'suction-fast': {
    figure: {
      label: 'suction speed',
      dimension: 'velocity',
      better: 'less',
      step: 0.01,
      of: (a, id) => a.feeds.find((f) => f.machineId === id)?.velocity.value ?? 0,
    },
    rules: feedRules,
  },
};
