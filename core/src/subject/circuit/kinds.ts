import type { Judged } from '../assessment.js';
import { type FindingFigure, type Kinds, places } from '../kind.js';
import { batteryRules, cableRules, fuseRules, longRules, voltsRules } from './fixes.js';

export type CircuitCode =
  | 'circuit-long'
  | 'cable-thin'
  | 'fuse-small'
  | 'drop-high'
  | 'cranks-slowly'
  | 'battery-short'
  | 'night-short'
  | 'no-fuse'
  | 'volts-wrong'
  | 'main-fuse-small'
  | 'no-charger'
  | 'charger-large';

const battery = (a: Judged, id: string) => a.batteries.find((b) => b.batteryId === id);
const lost: FindingFigure = {
  label: 'lost on the way',
  dimension: 'ratio',
  better: 'less',
  step: 1e-3,
  of: (a, id) => a.circuits.find((c) => c.loadId === id)?.dropShare ?? 1,
};

export const CIRCUIT_KINDS: Kinds<CircuitCode> = {
  'circuit-long': { figure: places('circuit-long'), rules: longRules, minor: true },
  'cable-thin': { figure: places('cable-thin'), rules: cableRules },
  'volts-wrong': { scale: 'rating', figure: places('volts-wrong'), rules: voltsRules },
  'no-fuse': { figure: places('no-fuse'), rules: cableRules },
  'fuse-small': { figure: places('fuse-small'), rules: fuseRules, minor: true },
  'main-fuse-small': { figure: places('main-fuse-small'), rules: fuseRules },
  'no-charger': { scale: 'practice', figure: places('no-charger'), rules: batteryRules, minor: true },
  'charger-large': { scale: 'rating', figure: places('charger-large'), rules: batteryRules, minor: true },
  'drop-high': { figure: lost, rules: cableRules, minor: true },
  'cranks-slowly': {
    figure: {
      label: 'at the starter',
      dimension: 'voltage',
      better: 'more',
      step: 0.05,
      of: (a, id) => a.circuits.find((c) => c.loadId === id && c.part === 'starter')?.voltage ?? 0,
    },
    rules: cableRules,
  },
  'battery-short': {
    figure: {
      label: 'battery to spare',
      dimension: 'charge',
      better: 'more',
      step: 1800,
      of: (a, id) => {
        const b = battery(a, id);
        return b ? b.usableAs - b.net.value : 0;
      },
    },
    rules: batteryRules,
  },
  'night-short': {
    scale: 'practice',
    figure: { label: 'charged overnight', dimension: 'charge', better: 'more', step: 1800, of: (a, id) => battery(a, id)?.nightAs ?? 0 },
    rules: batteryRules,
    minor: true,
  },
};
