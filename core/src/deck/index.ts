export { blowsExhaust, holdsFuel, isServed, isStarted, melts } from './nature.js';
export { type Box, boxOf, fuelTankSize, placedOn, type Standing, type StandingKind, standingOn, tankSize } from './outline.js';
export { endHeight, laidLines, type LaidLine, middleOf, type Point, portTo } from './path.js';
