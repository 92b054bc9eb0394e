import { forecastCounts } from '@druckerei/core';
import type { ForecastQuestion } from './forecast.messages';

addEventListener('message', ({ data: { basis, counts } }: MessageEvent<ForecastQuestion>) =>
  postMessage(forecastCounts(basis, { counts })),
);
