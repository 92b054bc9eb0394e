// What Node loads: the tag of everything that is said comes first. A page has it from its own build.
import '@angular/localize/init';
export * from './kernel/index.js';
