import { forecastCount } from '@druckerei/core';
import type { ForecastQuestion } from './forecast.messages';

addEventListener('message', ({ data: { job, works, state } }: MessageEvent<ForecastQuestion>) =>
  postMessage(forecastCount(job, works, state)),
);
