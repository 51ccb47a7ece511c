export * from './antifreeze.js';
export * from './compatibility.js';
export * from './diaphragm-pump.js';
export * from './dilution.js';
export * from './flush.js';
export * from './hypochlorite.js';
export * from './injection.js';
export * from './pure-water.js';
