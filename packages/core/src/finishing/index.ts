export * from './book.js';
