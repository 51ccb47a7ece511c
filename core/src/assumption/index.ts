export * from './register.js';
export * from './wash-surfaces.js';
