export * from './work-style.js';
export * from './ink.js';
