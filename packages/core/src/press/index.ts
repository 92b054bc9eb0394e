
export * from './work-style.js';
export * from './ink.js';
export * from './process.js';
export * from './press-cautions.js';
export * from './engraving.js';
export * from './ink-order.js';
export * from './ink-units.js';
export * from './zones.js';
export * from './tone-counter.js';
export * from './estimate.js';
export * from './drying.js';
