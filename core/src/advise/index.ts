export { advise, adviseSteps, applyFix, type DocumentPatch, type Fix } from './advise.js';
export { addBooster } from '../subject/feed/fixes.js';
export { growTank } from '../edit/grow-tank.js';
export { sizeUp, unusedId } from '../edit/rule.js';
export { bill, type Bill } from './bill.js';
export { asWanted, compareWays, compareWaysSteps, type WayCompared } from './compare-ways.js';
