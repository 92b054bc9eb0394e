import { type DeskRun, type RoomRecord, RELEASED, forecastCount, roomState } from '@druckerei/core';
import type { Revision } from '@druckerei/contract';

/** What the counts of a job come to, and how many of its carriers are still there; undefined where nothing that stands is counted. */
function deskRun({
  revision,
  records,
}: {
  readonly revision: Revision;
  readonly records: readonly RoomRecord[];
}): DeskRun | undefined {
  const state = roomState(records);
  const forecast = forecastCount(revision.job, revision.works, state);
  if (!forecast?.ok) return undefined;
  const { expected, least, wanted, hold } = forecast.value;
  const held = [...state.carriers.values()].filter(
    (one) => one.state !== 'wanted' && !RELEASED.includes(one.state),
  ).length;
  return { job: revision.id, forecast: { expected, least, wanted, hold }, held };
}

/** What the desk asks of a thread. */
export const DESK_TASKS = { deskRun } as const;
