import { type TaskInput, type TaskName, perform } from './tasks.js';

/** One task for a worker, and a place to say that it has begun. */
export interface Order {
  readonly name: TaskName;
  readonly input: TaskInput<TaskName>;
  readonly begun: SharedArrayBuffer;
}

/** Runs in a thread of the pool. */
export default function work({ name, input, begun }: Order): ReturnType<typeof perform> {
  Atomics.store(new Int32Array(begun), 0, 1);
  return perform(name, input);
}
