export * from './dimension.js';
export * from './parse.js';
export * from './format.js';
export * from './shown.js';
