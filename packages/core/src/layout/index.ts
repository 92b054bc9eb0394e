export * from './grid.js';
export * from './section.js';
