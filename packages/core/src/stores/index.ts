export * from './needs.js';
export * from './buy.js';
export * from './rests.js';
export * from './finished.js';
