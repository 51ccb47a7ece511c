export { boxTank, emptyRig, gardenFill, gun, line, parts, pressureRun, spigot, uprightTank, washer } from './pieces.js';
export { pontoonRig } from './first-rig.js';
export { type Layout, LAYOUTS } from './layouts.js';
export { DEMO_RIGS, DEMO_WORKSHOP } from './demo.js';
export { type LayoutSummary, summaryOf } from './summary.js';
