export * from './figure.js';
export * from './equations.js';
