export { advise, adviseSteps, applyFix, type DocumentPatch, type Fix } from './advise.js';
export { bill, type Bill } from './bill.js';
export { asWanted, compareWays, compareWaysSteps, type WayCompared } from './compare-ways.js';
