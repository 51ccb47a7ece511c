export { airLineStart } from './air-line.js';
export * from './friction.js';
export * from './nozzle.js';
export * from './plunger-pump.js';
export * from './network/index.js';
export * from './outflow.js';
