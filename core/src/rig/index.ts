export * from './quantity-field.js';
export * from './schema.js';
export {
  clock,
  CREW,
  type Job,
  type JobDocument,
  type Phase,
  type PhaseDocument,
  type PhaseKind,
  PHASE_KINDS,
  type RefillPlace,
  type RefillPlaceDocument,
  type Season,
  SEASONS,
  workDay,
  type WorkDay,
  type WorkDayDocument,
} from './day-schema.js';
export * from './read.js';
export { floorOf, placesOf, stackedOn, topOf } from './stand.js';
export { burnsFuel } from './refers.js';
export { PLACED_LISTS, type PlacedList } from './drop-places.js';
export { mend } from './mend.js';
export { placeable } from './drop-places.js';
export { printed } from './fields.js';
export * from './upgrade.js';
export * from './tank-shape.js';
export * from './changes.js';
export { asParsed, strayKey } from './tree.js';
export { reread } from './reread.js';
export type { Read as RigReading } from './read.js';
export { shareTree } from './share.js';
export { endWords, lineWords } from './words.js';
