import fs from 'node:fs';
import { pipeline } from 'node:stream/promises';
import type { Request, Response } from 'express';
import * as z from 'zod';
import { type Endpoint, type FieldError, JSON_LINES, MOST_ENTRIES, fieldErrors } from '@druckerei/contract';
import { type Doing, onTheWay } from './on-the-way.js';
import { ProblemError, invalid } from './problem.js';
import { upTo, withFile } from './received-file.js';
import { untilGone } from './until-gone.js';

/** Entries of a list beside one another. */
export interface Batch<T> {
  /** Place of the first of them in the list, from 0. */
  readonly first: number;
  readonly entries: readonly T[];
}

/** The entries of a list in their order, some at a time: of a long one no more than those are in memory. */
export interface Entries<T> {
  /** Walks them, as often as is asked. */
  batches(): AsyncIterable<Batch<T>>;
  /** Tells whoever waits how far it is. Issues: 499 where nobody waits any more. */
  readonly tell: (doing: Doing, done: number) => void;
}

/** Entries beside one another, and what is wrong with a list, of which people are told. */
const TOGETHER = 2_000;
export const MOST_TOLD = 500;
const MOST_BYTES = 100_000_000;
const MOST_LINE = 200_000;
const tooLarge = (): string => $localize`The list is larger than ${MOST_BYTES / 1e6} MB. Part it.`;

/** Entries that are all there already. */
export const together = <T>(entries: readonly T[]): Entries<T> => ({
  async *batches() {
    yield await Promise.resolve({ first: 0, entries });
  },
  tell: () => undefined,
});

/** The lines of what comes in, those together that came together. Issues: 413 for one that is too long. */
async function* linesOf(source: AsyncIterable<Buffer>): AsyncIterable<readonly string[]> {
  const decoder = new TextDecoder();
  let rest = '';
  for await (const chunk of source) {
    const lines = (rest + decoder.decode(chunk, { stream: true })).split('\n');
    rest = lines.pop() ?? '';
    if (rest.length > MOST_LINE) throw new ProblemError(413, $localize`A line is longer than ${MOST_LINE} characters`);
    yield lines.filter(isLine);
  }
  yield [rest + decoder.decode()].filter(isLine);
}
const isLine = (line: string): boolean => line.trim() !== '';

const UNREADABLE = Symbol('unreadable');
const read = (line: string): unknown => {
  try {
    return JSON.parse(line);
  } catch {
    return UNREADABLE;
  }
};

/** A list that comes as lines: its first line is the body without the list. */
class SentList {
  head: unknown;
  count = 0;
  private seen = false;
  private readonly errors: FieldError[] = [];
  private readonly headSchema: z.ZodType;
  private readonly entrySchema: z.ZodType;

  constructor(
    body: z.ZodObject,
    private readonly list: string,
  ) {
    const { [list]: several, ...head } = body.shape as Readonly<Record<string, z.ZodType>>;
    this.headSchema = z.strictObject(head);
    if (!(several instanceof z.ZodArray)) throw new Error(`${list} is no list`);
    this.entrySchema = several.element as z.ZodType;
  }

  /** What came in, checked, each entry a line. Issues: 422 by entry. */
  async *checked(source: AsyncIterable<Buffer>): AsyncIterable<string> {
    for await (const lines of linesOf(source)) {
      const taken = lines.map((line) => this.take(line)).filter((entry) => entry !== undefined);
      if (this.errors.length === 0 && taken.length > 0)
        yield taken.map((entry) => `${JSON.stringify(entry)}\n`).join('');
    }
    if (!this.seen) throw invalid([{ path: '', message: $localize`The first line is the body without its list` }]);
    if (this.count === 0) this.refuse('', $localize`at least one entry is wanted`);
    if (this.count > MOST_ENTRIES) this.refuse('', $localize`at most ${MOST_ENTRIES} entries are taken at once`);
    if (this.errors.length > 0) throw invalid(this.errors);
  }

  private take(line: string): unknown {
    const [schema, within] = this.seen ? [this.entrySchema, [this.list, this.count]] : [this.headSchema, []];
    if (this.seen) this.count++;
    // What is wrong with the rest is not looked for: it is read to its end, so that there is somebody to be told.
    if (this.errors.length >= MOST_TOLD || this.count > MOST_ENTRIES) return undefined;
    const told = read(line);
    const parsed = schema.safeParse(told, { reportInput: true });
    const isHead = !this.seen;
    this.seen = true;
    if (told === UNREADABLE) this.refuse(isHead ? '' : `[${this.count - 1}]`, $localize`This line is no JSON`);
    else if (!parsed.success) this.errors.push(...fieldErrors(parsed.error, within));
    else if (isHead) this.head = parsed.data;
    else return parsed.data;
    return undefined;
  }
  private refuse(at: string, message: string): void {
    this.errors.push({ path: `${this.list}${at}`, message });
  }
}

/** The entries of a file that was checked. */
async function* batchesOf<T>(file: string): AsyncIterable<Batch<T>> {
  let entries: T[] = [];
  let first = 0;
  for await (const lines of linesOf(fs.createReadStream(file))) {
    entries.push(...lines.map((line) => JSON.parse(line) as T));
    if (entries.length < TOGETHER) continue;
    yield { first, entries };
    first += entries.length;
    entries = [];
  }
  if (entries.length > 0) yield { first, entries };
}

async function receive(request: Request, list: SentList, file: string): Promise<void> {
  try {
    await pipeline(
      request,
      upTo(MOST_BYTES, tooLarge()),
      (source: AsyncIterable<Buffer>) => list.checked(source),
      fs.createWriteStream(file, { mode: 0o600 }),
    );
  } catch (error) {
    throw error instanceof ProblemError
      ? error
      : new ProblemError(400, $localize`The list did not come in whole. Nothing was taken; send it again.`);
  }
}

/** Does something with a body whose list may be long: as JSON it is there in one, as lines of JSON it waits in a file. */
export async function withEntries<T>(
  { body, list }: Endpoint,
  request: Request,
  response: Response,
  parse: (schema: z.ZodType | undefined) => unknown,
  work: (body: unknown, entries: Entries<unknown> | undefined) => Promise<T>,
): Promise<T> {
  if (list === undefined) return work(parse(body), undefined);
  if (!request.is(JSON_LINES) || !(body instanceof z.ZodObject)) {
    const { [list]: entries, ...head } = parse(body) as Record<string, readonly unknown[]>;
    return work(head, together(entries ?? []));
  }
  return withFile(async (file) => {
    const sent = new SentList(body, list);
    await receive(request, sent, file);
    const [gone, tell] = [untilGone(response), onTheWay(request, response)];
    return work(sent.head, {
      batches: () => batchesOf(file),
      tell: (doing, done) => {
        if (gone.aborted) throw new ProblemError(499, $localize`Nobody waits for this any more`);
        tell(doing, done, sent.count);
      },
    });
  });
}
