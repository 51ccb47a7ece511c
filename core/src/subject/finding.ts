import type { FindingCode } from './index.js';
import type { Verdict } from './verdict.js';
import type { Message } from '../working/figure.js';

export const STATIONS = [
  'brief',
  'tanks',
  'fill',
  'feed',
  'machines',
  'bypass',
  'guns',
  'reels',
  'mix',
  'liquids',
  'dump',
  'plan',
  'weight',
  'fuel',
  'electrics',
  'day',
  'options',
] as const;

export type Station = (typeof STATIONS)[number];

export interface About {
  readonly kind:
    | 'rig'
    | 'spigot'
    | 'tank'
    | 'line'
    | 'machine'
    | 'outlet'
    | 'booster'
    | 'manifold'
    | 'reel'
    | 'mix'
    | 'soft-pump'
    | 'liquid'
    | 'gear'
    | 'sprayer'
    | 'fuel-tank'
    | 'battery'
    | 'panel'
    | 'load'
    | 'compressor'
    | 'receiver'
    | 'burner';
  readonly id: string;
}

/** Something the builder should hear. */
export interface Finding {
  /** What kind of trouble, for the fixes to answer. */
  readonly code: FindingCode;
  readonly verdict: Verdict;
  readonly station: Station;
  readonly subject: About;
  /** What else it is about: a pair that must not meet is two things. */
  readonly also?: readonly About[];
  readonly message: Message;
}

/** A standing warning shown where work can hurt someone. */
export interface Caution {
  /** Names it, whatever its words become. */
  readonly key: string;
  readonly station: Station;
  readonly text: string;
}
