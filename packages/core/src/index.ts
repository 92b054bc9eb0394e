export * from './kernel/index.js';
export * from './paper/index.js';
export * from './layout/index.js';
export * from './press/index.js';
export * from './route/index.js';
export * from './flow/index.js';
export * from './works/index.js';
export * from './plan/index.js';
