import { availableParallelism } from 'node:os';
import { fileURLToPath } from 'node:url';
import { isNativeError } from 'node:util/types';
import { MessageChannel } from 'node:worker_threads';
import { Piscina } from 'piscina';
import { ProblemError } from '../http/problem.js';
import { tongueHere } from '../http/tongue.js';
import type { Done, TaskInput, TaskName, TaskResult } from './tasks.js';
import type { Order } from './worker.js';

/** What is built for a thread, the same seen from the sources and from the build. */
const WORKER = fileURLToPath(new URL('../../dist/work/thread.cjs', import.meta.url));

export interface WorkLimits {
  /** Milliseconds that a task may run, and that it may wait for a free thread. */
  readonly runMs: number;
  readonly waitMs: number;
  /** Memory of a thread, MB. */
  readonly memoryMb: number;
  /** Tasks that may wait. */
  readonly queue: number;
}
export const WORK_LIMITS: WorkLimits = { runMs: 60_000, waitMs: 20_000, memoryMb: 512, queue: 200 };

/** Milliseconds between two looks at a task. */
const LOOK_MS = 25;

export interface RunOptions {
  /** Cancels the task; its thread is ended. */
  readonly signal?: AbortSignal | undefined;
  /** Milliseconds that it may run, where it is not the pool's own limit. */
  readonly runMs?: number | undefined;
  /** Is told what the task tells while it runs. */
  readonly told?: ((news: unknown) => void) | undefined;
  /** Asks the task to end with what it has. */
  readonly ends?: AbortSignal | undefined;
}

/** Threads for what is too heavy for the one that answers everybody, each with limits of time and memory. */
export interface Workshop {
  /** Issues: 422 where a task goes over its limits, 503 where too many wait, and whatever problem the task tells. */
  run<Name extends TaskName>(name: Name, input: TaskInput<Name>, options?: RunOptions): Promise<TaskResult<Name>>;
  close(): Promise<void>;
}

const busy = (): ProblemError =>
  new ProblemError(503, $localize`The server is busy with other jobs. Try again in a few seconds.`);
const stopping = (): ProblemError =>
  new ProblemError(503, $localize`The server is being stopped. Try again when it is there once more.`);
const tooLong = (ms: number): ProblemError =>
  new ProblemError(422, $localize`This takes longer than ${ms / 1000} seconds to reckon, which is the limit.`, {
    detail: $localize`Ask for less at once: fewer steps, pieces on a sheet, numbers or points of an outline.`,
  });
const tooMuch = (mb: number): ProblemError =>
  new ProblemError(422, $localize`This takes more than ${mb} MB of memory to reckon, which is the limit.`, {
    detail: $localize`Ask for less at once: fewer steps, pieces on a sheet, numbers or points of an outline.`,
  });

/** Watches one task: ends it when it has run or waited too long. */
class Watch {
  readonly begun = new SharedArrayBuffer(4);
  private readonly controller = new AbortController();
  private readonly asked = performance.now();
  private started: number | undefined;
  private readonly timer: NodeJS.Timeout;
  why: ProblemError | undefined;

  constructor(
    private readonly runMs: number,
    private readonly waitMs: number,
  ) {
    this.timer = setInterval(() => this.look(), LOOK_MS);
  }

  get signal(): AbortSignal {
    return this.controller.signal;
  }

  private look(): void {
    const now = performance.now();
    if (this.started === undefined && Atomics.load(new Int32Array(this.begun), 0) === 1) this.started = now;
    if (this.started !== undefined && now - this.started > this.runMs) this.end(tooLong(this.runMs));
    else if (this.started === undefined && now - this.asked > this.waitMs) this.end(busy());
  }

  private end(why: ProblemError): void {
    this.why = why;
    this.controller.abort();
  }

  stop(): void {
    clearInterval(this.timer);
  }
}

/** Two at least, so that a long task does not hold up a short one. */
const THREADS = Math.max(2, availableParallelism());

export function openWorkshop(limits: WorkLimits = WORK_LIMITS): Workshop {
  const pools = new Map<string, Piscina<Order, Done<TaskName>>>();
  /** Threads that speak a language: a thread says all that it says in the one that it was started in. */
  const poolOf = (language: string): Piscina<Order, Done<TaskName>> => {
    const known = pools.get(language);
    if (known) return known;
    const pool = new Piscina<Order, Done<TaskName>>({
      filename: WORKER,
      argv: [language],
      minThreads: 1,
      maxThreads: THREADS,
      idleTimeout: 60_000,
      // Node waits for atomics in an idle thread; a sleeping thread that can be ended is what is wanted here.
      atomics: 'disabled',
      resourceLimits: { maxOldGenerationSizeMb: limits.memoryMb },
    });
    pool.on('error', () => undefined); // told to the task that it happened to
    pools.set(language, pool);
    return pool;
  };
  poolOf(tongueHere());
  let asked = 0;
  let closed = false;

  return {
    async run<Name extends TaskName>(
      name: Name,
      input: TaskInput<Name>,
      { signal, runMs, told, ends }: RunOptions = {},
    ): Promise<TaskResult<Name>> {
      if (asked >= THREADS + limits.queue) throw busy();
      asked++;
      const watch = new Watch(runMs ?? limits.runMs, limits.waitMs);
      const flag = new Int32Array(new SharedArrayBuffer(4));
      const end = (): void => void Atomics.store(flag, 0, 1);
      ends?.addEventListener('abort', end);
      if (ends?.aborted) end();
      const channel = told && new MessageChannel();
      if (channel && told) channel.port1.on('message', told);
      try {
        const signals = signal ? [watch.signal, signal] : [watch.signal];
        const done = (await poolOf(tongueHere()).run(
          { name, input, begun: watch.begun, ends: flag.buffer, port: channel?.port2 },
          { signal: AbortSignal.any(signals), ...(channel ? { transferList: [channel.port2] } : {}) },
        )) as Done<Name>;
        if ('value' in done) return done.value;
        throw new ProblemError(done.problem.status, done.problem.title, done.problem.details);
      } catch (error) {
        throw watch.why ?? (closed ? stopping() : asProblem(error, limits));
      } finally {
        watch.stop();
        ends?.removeEventListener('abort', end);
        channel?.port1.close();
        asked--;
      }
    },
    close() {
      closed = true;
      return Promise.all([...pools.values()].map((pool) => pool.destroy())).then(() => undefined);
    },
  };
}

/** What went wrong with a thread, as it is answered. */
function asProblem(error: unknown, { memoryMb }: WorkLimits): unknown {
  if (!isNativeError(error)) return error;
  const code = 'code' in error ? error.code : undefined;
  if (code === 'ERR_WORKER_OUT_OF_MEMORY') return tooMuch(memoryMb);
  if (error.name === 'AbortError') return new ProblemError(499, $localize`The request was given up`);
  return error;
}
