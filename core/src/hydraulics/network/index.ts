export * from './spec.js';
export { Network } from './network.js';
export type { Frame } from './frame.js';
export { AnswerBook } from './part.js';
