export * from './pieces.js';
export * from './first-rig.js';
export * from './demo.js';
