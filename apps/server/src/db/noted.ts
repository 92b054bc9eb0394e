import { AsyncLocalStorage } from 'node:async_hooks';

/** A line that a call leaves of what it writes: who, what, of which. */
export interface Note {
  readonly values: readonly [by: string, what: string, subject: string];
  /** Whether a transaction carries it, or has. */
  taken: boolean;
  /** Whether the call has ended: what goes on behind it is no longer what it wrote. */
  over?: boolean;
}

const notes = new AsyncLocalStorage<Note>();

/** Does something whose first writing transaction carries the note with it. */
export const noting = <T>(note: Note, work: () => Promise<T>): Promise<T> =>
  notes.run(note, work).finally(() => {
    note.over = true;
  });

/** Writes what no call is about (what is kept to be faster, other books): it carries no note. */
export const unnoted = <T>(work: () => Promise<T>): Promise<T> => notes.exit(work);

/** The note of the call that is under way, where no transaction carries it yet. */
export function openNote(): Note | undefined {
  const note = notes.getStore();
  return note && !note.taken && !note.over ? note : undefined;
}
