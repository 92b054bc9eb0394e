import { type LatestWorker, latestWorker } from '../../../platform/latest-worker';
import type { ForecastAnswer, ForecastQuestion } from './forecast.messages';
import { wordsOfPage } from '../../../platform/words-of-page';

/** Keeps a worker that draws what the counts so far will come to, while somebody types. */
export const keepForecaster = (
  answered: (answer: ForecastAnswer) => void,
  failed: () => void,
): LatestWorker<ForecastQuestion> =>
  latestWorker(
    () => new Worker(new URL('./forecast.worker', import.meta.url), { type: 'module', name: wordsOfPage() }),
    (answer) => answered(answer as ForecastAnswer),
    failed,
  );
