import { type Job, type WorkStyle, type Works, withStock, withWorkStyle } from '@druckerei/core';

export type FieldPath = readonly (string | number)[];

/** What a planner did to a job, as undo remembers it. */
export type JobCommand =
  | { readonly kind: 'set'; readonly path: FieldPath; readonly value: unknown; readonly burst?: number }
  | { readonly kind: 'style'; readonly component: string; readonly style: WorkStyle }
  | { readonly kind: 'stock'; readonly component: string; readonly stock: string };

/** A copy of a value with one field set; an undefined value takes the field away. */
export function setIn(value: unknown, path: FieldPath, next: unknown): unknown {
  const [head, ...rest] = path;
  if (head === undefined) return next;
  if (Array.isArray(value)) return value.map((member: unknown, i) => (i === head ? setIn(member, rest, next) : member));
  const object = (typeof value === 'object' && value !== null ? value : {}) as Record<string, unknown>;
  const set = setIn(object[head], rest, next);
  if (set !== undefined) return { ...object, [head]: set };
  const { [String(head)]: _gone, ...left } = object;
  return left;
}

/** The job after a command. */
export function applyCommand(job: Job, command: JobCommand, works: Works): Job {
  switch (command.kind) {
    case 'set':
      return setIn(job, command.path, command.value) as Job;
    case 'style':
      return withWorkStyle(job, command.component, command.style);
    case 'stock': {
      const stock = works.stocks.find(({ id }) => id === command.stock);
      return stock ? withStock(job, command.component, stock) : job;
    }
  }
}

/** Whether two commands are strokes of one edit (typing into one field) and undo as one. */
export const isSameEdit = (a: JobCommand | undefined, b: JobCommand): boolean =>
  a?.kind === 'set' && b.kind === 'set' && b.burst !== undefined && a.burst === b.burst && a.path.join('.') === b.path.join('.');
