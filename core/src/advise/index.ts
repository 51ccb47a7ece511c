export { advise, adviseSteps, applyFix, type DocumentPatch, type Fix } from './advise.js';
export { addBooster } from './rules/feed-rules.js';
export { growTank } from './grow-tank.js';
export { sizeUp, unusedId } from './rules/shared.js';
export { bill, type Bill } from './bill.js';
export { asWanted, compareWays, compareWaysSteps, type WayCompared } from './compare-ways.js';
