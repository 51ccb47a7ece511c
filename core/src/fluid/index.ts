export * from './water.js';
export * from './air.js';
export * from './fuel.js';
