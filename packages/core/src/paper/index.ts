export * from './sizes.js';
export * from './weight.js';
export * from './basis.js';
export * from './roll.js';
export * from './conditioning.js';
export * from './fan-out.js';
