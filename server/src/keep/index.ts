/** Keeping a yard, for the command line: no server runs for these. */
export { backup, type Made } from './backup.js';
export { clearPieces } from './pieces.js';
export { check, type Checked } from './check.js';
export { restore, type Restored } from './restore.js';
export { YardError } from '../errors.js';
