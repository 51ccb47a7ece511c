export { advise, adviseSteps, applyFix, type DocumentPatch, type Fix } from './advise.js';
export { addBooster } from './rules/feed-rules.js';
export { sizeUp, unusedId } from './rules/shared.js';
export { bill, type Bill } from './bill.js';
export { compareWays, compareWaysSteps, type WayCompared } from './compare-ways.js';
