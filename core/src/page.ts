/**
 * What a page needs before a build is opened. A door of its own, past the other ones: a bundler that splits by file takes
 * all that an index names along with it, and the first page would load the engine.
 */
export { type Locale, localeFor, LOCALES, readerLocale, setReaderLocale } from './locale/locale.js';
export { spell } from './locale/spell.js';
export { formatQuantity } from './quantity/format.js';
export { findUnit, fromSi, SHOWN_UNIT, type Dimension, type UnitSystem } from './quantity/dimension.js';
export { asTold, say, type Message } from './working/figure.js';
export { SEVERITY_WORDS, type Scale, type Verdict } from './subject/verdict.js';
export {
  BackupsShape,
  BuildPageShape,
  ErrorShape,
  IdText,
  MOST_DOCUMENT_BYTES,
  revisionShape,
  RevisionsShape,
  SavedShape,
  storedShape,
  type Backups,
  type BuildPage,
  type Revised,
  type Revisions,
  type Saved,
  type Stored,
} from './exchange/http.js';
export { KINDS, KIND_NAMES, pathOf, type Documents, type Kind, type KindName, type StoredBuild } from './exchange/records.js';
export { mend } from './rig/mend.js';
export { withoutOptions } from './edit/without-options.js';
export { isEnough } from './day/chance.js';
export { joinChunks } from './day/chunk.js';
export { DAY_SEED, DAYS_UNASKED, nextRound } from './day/round-size.js';
