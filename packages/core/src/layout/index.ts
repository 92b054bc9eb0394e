export * from './sheet.js';
export * from './pattern-request.js';
export * from './pattern.js';
export * from './bought-sheet.js';
