import '../../../platform/speak-in-worker';
import { planGang, table } from '@druckerei/core';
import highsLoader from 'highs';
import type { Answer, GangQuestion } from './messages';

/** Seconds for one model: the best found by then is taken. Source: practice, a planner waits no longer. */
const MODEL_SECONDS = 20;

addEventListener('message', ({ data }: MessageEvent<GangQuestion>) => {
  const say = (answer: Answer): void => postMessage(answer);
  const solver = highsLoader({ locateFile: () => data.wasm });
  const solve = async (lp: string): Promise<Record<string, number> | undefined> => {
    const solution = (await solver).solve(lp, { random_seed: 1, time_limit: MODEL_SECONDS });
    const Columns = solution.Columns as Readonly<Record<string, { readonly Primal?: number }>>;
    const values = Object.entries(Columns).flatMap(([name, { Primal }]): [string, number][] =>
      Primal !== undefined && Number.isFinite(Primal) ? [[name, Primal]] : [],
    );
    return values.length > 0 ? table(values) : undefined;
  };
  void planGang(data.request, solve, (answer) => say({ kind: 'gang', answer, issues: [], done: false })).then(
    ({ answer, issues }) => say({ kind: 'gang', answer, issues, done: true }),
  );
});
