export * from './figure.js';
export type { Equation } from './equation.js';
