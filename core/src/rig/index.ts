export * from './quantity-field.js';
export * from './schema.js';
export * from './read.js';
export * from './upgrade.js';
export * from './tank-shape.js';
