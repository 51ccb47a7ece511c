export { advise, adviseSteps, applyFix, type DocumentPatch, type Fix } from './advise.js';
export { asWanted, byWay, compareWays, compareWaysSteps, type WayCompared } from './compare-ways.js';
export { fixOf } from './fix-of.js';
