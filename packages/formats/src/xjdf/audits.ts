import { type RoomRecord, type RoomState, allSpoiled, isTallied, roomState, standing } from '@druckerei/core';
import { type Tree, element } from './tree.js';
import { durationText } from './words.js';

/** Whose audits these are: what we wrote ourselves is not counted again. */
export const AGENT = 'Druckerei';
const MINUTES_PER_HOUR = 60;

/** What was entered at a station, told as what ran and what came out. */
function stationAudits(step: string, machine: string | null, records: readonly RoomRecord[], state: RoomState): Tree[] {
  const times = records.map(({ at }) => at).sort();
  const [start, end] = [times[0], times.at(-1)];
  const tally = state.tallies.get(step);
  if (!tally || start === undefined || end === undefined) return [];
  const header = element('Header', { AgentName: AGENT, DeviceID: machine ?? undefined, Time: end });
  const good = state.counts.get(step)?.good ?? tally.good;
  const spoiled = allSpoiled(tally);
  return [
    element('AuditProcessRun', { 'd:Station': step }, [
      header,
      element('ProcessRun', {
        Start: start,
        End: end,
        Duration: durationText((tally.minutes.setUp + tally.minutes.run) / MINUTES_PER_HOUR),
        EndStatus: state.closed.has(step) ? 'Completed' : 'Stopped',
      }),
    ]),
    ...(good + spoiled > 0
      ? [
          element('AuditResource', { 'd:Station': step }, [
            header,
            element('ResourceInfo', {}, [
              element('ResourceSet', { Name: 'Component', Usage: 'Output' }, [
                element('Resource', { ExternalID: step }, [
                  element('AmountPool', {}, [element('PartAmount', { Amount: good, Waste: spoiled })]),
                ]),
              ]),
            ]),
          ]),
        ]
      : []),
  ];
}

/** When the file was made, and what the floor has entered of the job. @param at ISO 8601. */
export function auditPool(
  at: string,
  steps: readonly { readonly id: string; readonly machine: string | null }[],
  records: readonly RoomRecord[],
): Tree {
  const state = roomState(records);
  const entered = new Map<string, RoomRecord[]>();
  for (const record of standing(records)) {
    if (!isTallied(record.event)) continue;
    const own = entered.get(record.event.step) ?? [];
    own.push(record);
    entered.set(record.event.step, own);
  }
  return element('AuditPool', {}, [
    element('AuditCreated', {}, [element('Header', { AgentName: AGENT, Time: at })]),
    ...steps.flatMap(({ id, machine }) => stationAudits(id, machine, entered.get(id) ?? [], state)),
  ]);
}
