export * from './balance.js';
