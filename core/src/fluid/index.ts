export * from './water.js';
export * from './air.js';
