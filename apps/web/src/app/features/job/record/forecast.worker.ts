import '../../../platform/speak-in-worker';
import { forecastCounts } from '@druckerei/core';
import type { ForecastQuestion } from './forecast.messages';

addEventListener('message', ({ data: { basis, state } }: MessageEvent<ForecastQuestion>) =>
  postMessage(forecastCounts(basis, state)),
);
