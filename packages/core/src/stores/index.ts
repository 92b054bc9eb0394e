export * from './needs.js';
export * from './on-order.js';
export * from './known-items.js';
export * from './buy.js';
export * from './rests.js';
export * from './finished.js';
export * from './asked-list.js';
export * from './held-list.js';
