export * from './ciede2000.js';
export * from './aims.js';
export * from './recipe.js';
export * from './readings.js';
