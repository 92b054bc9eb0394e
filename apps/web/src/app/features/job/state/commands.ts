import {
  type FieldPath,
  type Job,
  type Mend,
  type Operation,
  type WayChoice,
  type WayTarget,
  type WorkStyle,
  type Works,
  applyMend,
  insertAfter,
  joinRuns,
  joinStation,
  leaveOut,
  moveBefore,
  removeStep,
  setField,
  shareSheet,
  splitRun,
  splitStation,
  takeIn,
  wholeShares,
  withOwnSheets,
  withStock,
  withWay,
  withWorkStyle,
} from '@druckerei/core';

/** What a planner did to a job, as undo remembers it. */
export type JobCommand =
  | { readonly kind: 'set'; readonly path: FieldPath; readonly value: unknown; readonly burst?: number }
  | { readonly kind: 'style'; readonly component: string; readonly style: WorkStyle }
  | { readonly kind: 'stock'; readonly component: string; readonly stock: string }
  | { readonly kind: 'way'; readonly target: WayTarget; readonly choice: WayChoice }
  /** A plan of the whole job, found or kept beside. */
  | { readonly kind: 'take'; readonly job: Job }
  | { readonly kind: 'share'; readonly section: string; readonly with: string }
  | { readonly kind: 'apart'; readonly form: string }
  | { readonly kind: 'insert'; readonly after: string; readonly operation: Operation }
  | { readonly kind: 'remove'; readonly step: string }
  | { readonly kind: 'move'; readonly step: string; readonly before: string }
  | { readonly kind: 'mend'; readonly mend: Mend }
  | { readonly kind: 'split'; readonly component: string; readonly share: number }
  | { readonly kind: 'join'; readonly component: string }
  | { readonly kind: 'split-station'; readonly step: string; readonly machine?: string }
  | { readonly kind: 'join-station'; readonly step: string }
  | { readonly kind: 'take-in'; readonly step: string; readonly material: string }
  | { readonly kind: 'leave-out'; readonly step: string; readonly material: string };

/** The job after a command. */
export function applyCommand(job: Job, command: JobCommand, works: Works): Job {
  switch (command.kind) {
    case 'set':
      return wholeShares(setField(job, command.path, command.value) as Job, command.path);
    case 'style':
      return withWorkStyle(job, command.component, command.style);
    case 'way':
      return withWay(job, command.target, command.choice, works);
    case 'take':
      return command.job;
    case 'share':
      return shareSheet(job, command.section, command.with, works);
    case 'apart':
      return withOwnSheets(job, command.form, works);
    case 'insert':
      return insertAfter(job, command.after, command.operation);
    case 'remove':
      return removeStep(job, command.step);
    case 'move':
      return moveBefore(job, command.step, command.before);
    case 'mend':
      return applyMend(job, command.mend);
    case 'split':
      return splitRun(job, command.component, command.share);
    case 'join':
      return joinRuns(job, command.component);
    case 'split-station':
      return splitStation(job, command.step, command.machine);
    case 'join-station':
      return joinStation(job, command.step);
    case 'take-in':
      return takeIn(job, command.step, command.material);
    case 'leave-out':
      return leaveOut(job, command.step, command.material);
    case 'stock': {
      const stock = works.stocks.find(({ id }) => id === command.stock);
      return stock ? withStock(job, command.component, stock) : job;
    }
  }
}

/** Whether two commands are strokes of one edit (typing into one field) and undo as one. */
export const isSameEdit = (a: JobCommand | undefined, b: JobCommand): boolean =>
  a?.kind === 'set' &&
  b.kind === 'set' &&
  b.burst !== undefined &&
  a.burst === b.burst &&
  a.path.join('.') === b.path.join('.');
