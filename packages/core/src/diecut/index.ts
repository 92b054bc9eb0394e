export * from './drawing.js';
export * from './structure.js';
export { makeStructure } from './make-structure.js';
export { checkStructure } from './check-structure.js';
export {
  type BlankArrangement,
  type BlankChoice,
  type BlankLayout,
  type BlankLayouts,
  type BlankRequest,
  type PlacedBlank,
  BLANK_ARRANGEMENTS,
  layBlanksAs,
} from './blank-rows.js';
export * from './lay-blanks.js';
export * from './assemble.js';
