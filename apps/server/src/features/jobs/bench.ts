import type { Database } from '../../db/database.js';
import type { Workshop } from '../../work/workshop.js';

/** What writing and reading a job takes: where it is kept, and who reckons it. */
export interface Bench {
  readonly database: Database;
  readonly workshop: Workshop;
}
