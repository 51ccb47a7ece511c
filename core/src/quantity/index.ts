export * from './dimension.js';
export * from './parse.js';
export * from './format.js';
export * from './shown.js';
export { hoseSize, shelfName, type ShelfPart } from './nominal.js';
