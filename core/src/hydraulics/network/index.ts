export * from './spec.js';
export { Network } from './network.js';
export { AnswerBook } from './part.js';
