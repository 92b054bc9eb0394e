import type { ForecastBasis, Outcome, RoomState, RunForecast } from '@druckerei/core';

/** What a forecast asks of a job, with what has been counted of it. */
export interface ForecastQuestion {
  readonly basis: ForecastBasis;
  readonly state: RoomState;
}

/** Undefined where nothing has been counted. */
export type ForecastAnswer = Outcome<RunForecast> | undefined;
