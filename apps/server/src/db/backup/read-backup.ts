import type { Readable } from 'node:stream';
import { text } from 'node:stream/consumers';
import * as yauzl from 'yauzl';
import { MANIFEST, type Manifest, entryOf, manifestSchema } from './manifest.js';

/** Bytes: what a backup says of itself, and the longest line. */
const MOST_MANIFEST = 1_000_000;
const MOST_LINE = 32_000_000;

/** Why a file cannot be restored, in words: what, where, and how to mend it. */
export class UnusableBackup extends Error {}

/** A backup that is open for reading. */
export interface OpenBackup {
  readonly manifest: Manifest;
  /** Lines of a table; none where the backup does not hold it. */
  lines(table: string): AsyncGenerator<string>;
  close(): void;
}

const broken = (why: string): UnusableBackup =>
  new UnusableBackup(`This file is no backup of ours, or it is damaged: ${why}. Take the file as it was written.`);

async function openZip(file: string): Promise<yauzl.ZipFile> {
  try {
    return await yauzl.openPromise(file, { lazyEntries: true, autoClose: false, strictFileNames: true });
  } catch {
    throw broken('it cannot be opened as a ZIP');
  }
}

async function entriesOf(zip: yauzl.ZipFile): Promise<ReadonlyMap<string, yauzl.Entry>> {
  const entries = new Map<string, yauzl.Entry>();
  try {
    for await (const entry of zip.eachEntry()) entries.set(entry.fileName, entry);
  } catch (error) {
    throw broken((error as Error).message);
  }
  return entries;
}

async function readManifest(zip: yauzl.ZipFile, entry: yauzl.Entry | undefined): Promise<Manifest> {
  if (!entry) throw broken(`${MANIFEST} is missing`);
  if (entry.uncompressedSize > MOST_MANIFEST) throw broken(`${MANIFEST} is too large`);
  let said: unknown;
  try {
    said = JSON.parse(await text(await zip.openReadStreamPromise(entry)));
  } catch (error) {
    throw broken(`${MANIFEST} cannot be read (${(error as Error).message})`);
  }
  const parsed = manifestSchema.safeParse(said);
  if (!parsed.success) {
    const [first] = parsed.error.issues;
    throw broken(`${MANIFEST}, ${first?.path.join('.') ?? ''}: ${first?.message ?? ''}`);
  }
  return parsed.data;
}

/** Lines of a stream, at line feeds alone; a line that never ends is refused before it fills the memory. */
async function* linesIn(stream: Readable, name: string): AsyncGenerator<string> {
  let rest = '';
  try {
    for await (const chunk of stream.setEncoding('utf8') as AsyncIterable<string>) {
      const parts = (rest + chunk).split('\n');
      rest = parts.pop() ?? '';
      if (rest.length > MOST_LINE) throw broken(`${name} holds a line of more than ${MOST_LINE / 1e6} MB`);
      yield* parts;
    }
  } catch (error) {
    throw error instanceof UnusableBackup ? error : broken(`${name}: ${(error as Error).message}`);
  }
  if (rest !== '') yield rest;
}

/** Opens a backup. Issues: {@link UnusableBackup} for what is none. */
export async function openBackup(file: string): Promise<OpenBackup> {
  const zip = await openZip(file);
  try {
    const entries = await entriesOf(zip);
    const manifest = await readManifest(zip, entries.get(MANIFEST));
    return {
      manifest,
      async *lines(table) {
        const entry = entries.get(entryOf(table));
        if (entry) yield* linesIn(await zip.openReadStreamPromise(entry), entryOf(table));
      },
      close: () => zip.close(),
    };
  } catch (error) {
    zip.close();
    throw error;
  }
}
