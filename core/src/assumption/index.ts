export * from './register.js';
