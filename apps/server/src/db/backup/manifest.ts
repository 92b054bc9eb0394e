import * as z from 'zod';

const count = z.number().int().min(0);
const sha256 = z.string().regex(/^[0-9a-f]{64}$/);

const migration = z.strictObject({ name: z.string(), checksum: z.string() });
/** A migration that the schema has come through. */
export type Migration = z.output<typeof migration>;

/** What a backup says of itself, in `manifest.json`. */
export const manifestSchema = z.strictObject({
  format: z.literal('druckerei-backup'),
  version: z.literal(1),
  made: z.iso.datetime(),
  /** Migrations of the schema that it was written from, in order. */
  migrations: z.array(migration).min(1),
  /** Rows of each table, and the hash of its lines. */
  tables: z.record(z.string(), z.strictObject({ rows: count, sha256 })),
});
export type Manifest = z.output<typeof manifestSchema>;

export const MANIFEST = 'manifest.json';
export const entryOf = (table: string): string => `tables/${table}.jsonl`;
