import { Run } from '../../../platform/run';
import { type Question, ask } from '../workers/client';
import { type Answer, isDone } from '../workers/messages';

/** A piece of work of a bench, in a worker. */
export const benchRun = (): Run<Question, Answer> => new Run(ask, isDone);
