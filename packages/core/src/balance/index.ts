
export * from './balance.js';
