import { forecastCounts } from '@druckerei/core';
import type { ForecastAnswer, ForecastQuestion } from './app/features/job/record/forecast.messages';

/** Stands in for the worker in unit tests: draws at once. */
export const keepForecaster = (answered: (answer: ForecastAnswer) => void) => ({
  ask: ({ basis, state }: ForecastQuestion) => answered(forecastCounts(basis, state)),
  end: () => undefined,
});
