export * from './fold-scheme.js';
export * from './fold-list.js';
export * from './split.js';
export * from './impose.js';
export * from './page-boxes.js';
export * from './numbering.js';
export * from './creep.js';
export * from './marks.js';
