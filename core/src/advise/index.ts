export { advise, adviseSteps, applyFix, type DocumentPatch, type Fix } from './advise.js';
export { addBooster, sizeUp, unusedId } from './candidates.js';
export { bill, type Bill } from './bill.js';
