export * from './drawing.js';
export * from './structure.js';
export { makeStructure } from './make-structure.js';
export { checkStructure } from './check-structure.js';
export * from './lay-blanks.js';
export * from './assemble.js';
