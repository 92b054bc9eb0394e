export * from './sizes.js';
export * from './weight.js';
