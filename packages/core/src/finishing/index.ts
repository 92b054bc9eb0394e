export * from './book.js';
export * from './guillotine.js';
export * from './panels.js';
export * from './check-characters.js';
export * from './numbering.js';
export * from './section-scan.js';
export * from './packing.js';
export * from './on-demand.js';
