import type { MessagePort } from 'node:worker_threads';
import { type TaskInput, type TaskName, perform } from './tasks.js';

/** One task for a worker, a place to say that it has begun, one to look whether it should end, and a way to tell how far it is. */
export interface Order {
  readonly name: TaskName;
  readonly input: TaskInput<TaskName>;
  readonly begun: SharedArrayBuffer;
  readonly ends: SharedArrayBuffer;
  readonly port: MessagePort | undefined;
}

/** Runs in a thread of the pool. */
export default async function work({ name, input, begun, ends, port }: Order): ReturnType<typeof perform> {
  Atomics.store(new Int32Array(begun), 0, 1);
  const flag = new Int32Array(ends);
  try {
    return await perform(name, input, {
      ends: () => Atomics.load(flag, 0) === 1,
      tell: (news) => port?.postMessage(news),
    });
  } finally {
    port?.close();
  }
}
