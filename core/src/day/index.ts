export { simulateDay, simulateModel } from './simulate-day.js';
export { dayModel, type DayModel } from './model.js';
export { type DayDraw, Simulator } from './simulator.js';
export { dayOf, usualDayDocument } from './usual-day.js';
export { handsOf, inHand, triggerOf } from './hands.js';
export { CAUSES, type Cause, type DayResult, type DayTrace, type MixDay, type PhaseRun, type Shortage, type ShortKind, type VesselDay } from './types.js';
