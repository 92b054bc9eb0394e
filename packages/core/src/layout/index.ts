export * from './grid.js';
export * from './section.js';
export * from './pattern-request.js';
export * from './pattern.js';
