export { type LineSize, mainVessel, resizeLine, type Sizing, sizingSteps, type TankSize } from './sizing.js';
export { sensitivitySteps, type Swing } from './sensitivity.js';
export { type Variant, variantsOf, withoutOptions } from './variants.js';
export { joinGuns, mendInjectors, removeGun, splitGun } from './guns.js';
export { adviceOn, type Comparison, compareOptionsSteps, type Contender, type OptionRow, WEIGHING } from './options.js';
