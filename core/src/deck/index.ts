export { type Box, boxOf, POWER_WORDS, type Standing, type StandingKind, standingOn, tankSize } from './outline.js';
export { laidLines, type LaidLine, middleOf, type Point, portTo } from './path.js';
