export { centreOf, freeShift, leftShare, type PointMass, rolloverThreshold, twoSupports } from './statics.js';
export { slosh, type Slosh } from './slosh.js';
export {
  BOLT_SIZES,
  BOLTS,
  type BoltSize,
  boltStrength,
  forwardForce,
  RESTRAINTS,
  STRAP_RUNS,
  type StrapRun,
  type Restraint,
  tieDownWanted,
  WANTED_G,
} from './restraint.js';
