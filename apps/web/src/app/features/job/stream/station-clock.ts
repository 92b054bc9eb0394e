/** When a station runs, as the stream says it: shortly, and as it is spoken. */
export interface StationClock {
  readonly short: string;
  readonly spoken: string;
}
