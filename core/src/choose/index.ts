export { resizeStore, type StoreKind, type StoreSize, type StoreSizes } from './store-sizes.js';
export { type LineSize, mainVessel, resizeLine, type Sizing, sizingSteps, type TankSize } from './sizing.js';
export { sensitivitySteps, type Swing } from './sensitivity.js';
export { type Variant, variantsOf } from './variants.js';
export { adviceOn, type Comparison, compareOptionsSteps, type Contender, type OptionRow } from './options.js';
