import fs from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';

/** Folder of the .sql files, the same seen from the sources and from the build. */
export const SQL_ROOT = fileURLToPath(new URL('../../sql/', import.meta.url));

const texts = new Map<string, string>();

/** Names of all queries, `feature/name`. */
export const queryNames = (): string[] =>
  fs
    .readdirSync(path.join(SQL_ROOT, 'queries'), { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith('.sql'))
    .map((file) => file.slice(0, -4))
    .sort();

/** Text of a query by name; read once. A name that does not exist is our own bug. */
export function sql(name: string): string {
  const known = texts.get(name);
  if (known !== undefined) return known;
  const text = fs.readFileSync(path.join(SQL_ROOT, 'queries', `${name}.sql`), 'utf8');
  texts.set(name, text);
  return text;
}
