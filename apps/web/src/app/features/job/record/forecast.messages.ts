import type { Job, Outcome, RoomState, RunForecast, Works } from '@druckerei/core';

/** A job with what has been counted of it. */
export interface ForecastQuestion {
  readonly job: Job;
  readonly works: Works;
  readonly state: RoomState;
}

/** Undefined where nothing has been counted. */
export type ForecastAnswer = Outcome<RunForecast> | undefined;
