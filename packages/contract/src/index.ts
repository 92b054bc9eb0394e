export * from './job-file.js';
export * from './field-errors.js';
export * from './change-words.js';
export * from './layout-words.js';
export * from './best-words.js';
export * from './press-words.js';
export * from './entry-words.js';
export * from './messages.js';
export * from './rule-words.js';
export * from './plain.js';
export * from './people.js';
export * from './session.js';
export * from './works.js';
export * from './norms.js';
export * from './jobs.js';
export * from './live.js';
export * from './problem.js';
export * from './changes.js';
export * from './endpoints.js';
export * from './parse-job.js';
export * from './reckon.js';
export * from './json-schema.js';
export {
  type BookCheck,
  type EntryAnswer,
  type Scanned,
  ENTRY_OUTCOMES,
  bookCheckSchema,
  entryAnswerSchema,
  scannedSchema,
} from './book.js';
export * from './room.js';
export * from './stores.js';
export * from './purchasing.js';
export * from './finished.js';
export * from './desk.js';
export * from './floor.js';
export * from './floor-words.js';
export * from './singles.js';
export * from './customers.js';
export { fieldErrorAt } from './parse-field.js';
export { CURRENCIES, dayIn } from './known-places.js';
export { type KeptPlan, readPlan, writePlan } from './plan-file.js';
