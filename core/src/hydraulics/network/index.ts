export * from './spec.js';
export { Network } from './network.js';
