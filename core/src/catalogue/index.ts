export * from './part-loss.js';
export * from './items.js';
export * from './build-line.js';
export * from './chemical-pieces.js';
export * from './equipment.js';
