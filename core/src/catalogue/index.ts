export * from './part-loss.js';
export * from './items.js';
