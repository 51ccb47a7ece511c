export { simulateDay, simulateModel, simulateSteps } from './simulate-day.js';
export { dayModel, type DayModel, dayModelSteps } from './model.js';
export { type DayDraw, Simulator } from './simulator.js';
export { againstBrief, briefFromDay, dayFromBrief } from './against-brief.js';
export { dayOf, usualDayDocument } from './usual-day.js';
export { handsOf, holdsGun, inHand, spraysMix, triggerOf } from './hands.js';
export {
  type BatteryDay,
  CAUSES,
  type Cause,
  type DayResult,
  type DayTrace,
  type FuelDay,
  fuelLastsDays,
  type MixDay,
  type PhaseRun,
  type Shortage,
  type ShortKind,
  type VesselDay,
} from './types.js';
export { type Chance, chanceOf, isEnough } from './chance.js';
export { type DayChunk, joinChunks } from './chunk.js';
export {
  countTimes,
  DAY_FIGURES,
  type DayFigure,
  type DaySample,
  gatherSample,
  isThirst,
  type LevelBand,
  sampleChunk,
  sampleDays,
  sampleSteps,
  type Spread595,
  thirstyDays,
} from './sample.js';
export { FUEL_ROWS, type FuelLast, type FuelSize } from './fuel-last.js';
export { type DayWeight, type DayWeightState, dayWeightFindings, weighDay } from './weigh-day.js';
export { daysJudged, daysVerdict, hasDays, type JudgedDays, roadFinding, type Said, verdictOf } from './judge.js';
export { notChecked } from './not-checked.js';
export { judgeRig } from './judge-rig.js';
export { isDone, mayWait, setAside, type ToDo, type ToDoGrade, todoOf } from './todo.js';
// Apart from what they are used for, so that a page that only names them does not load the engine.
export { DAY_SEED, DAYS_UNASKED, nextRound } from './round-size.js';
export { sampleUntilEnough } from './rounds.js';
export { DayRandom, triangular } from './random.js';
export { JOB_TEMPLATES, type JobTemplate } from './templates.js';
export { seasonsOf, type SeasonSpread } from './seasons.js';
export { momentAt, type Moment } from './moment.js';
export * from './edit-day.js';
