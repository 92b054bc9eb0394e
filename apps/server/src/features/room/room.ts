import type { Account, KeptCarrier, PressRoom } from '@druckerei/contract';
import type { Handlers } from '../../http/register.js';
import { assessmentOf } from '../assessments/assessments.js';
import type { Bench } from '../jobs/bench.js';
import { enterEvent } from './enter.js';
import { readEntries, told } from './entries.js';
import { keptCarriers } from './kept-carriers.js';

async function roomOf(bench: Bench, account: Pick<Account, 'rights'>, job: number): Promise<PressRoom> {
  const { carriers } = await assessmentOf(bench.database, bench.workshop, job);
  const records = told(await readEntries(bench.database, job), account) as PressRoom['records'];
  const kept: KeptCarrier[] = carriers.length > 0 ? await keptCarriers(bench.database, { keys: carriers }) : [];
  return { records, kept };
}

export const roomHandlers = (bench: Bench): Pick<Handlers, 'room' | 'enterEvent' | 'keptCarriers'> => ({
  room: ({ account, params }) => roomOf(bench, account, params.id),
  enterEvent: async ({ account, params, body }) => {
    await enterEvent(bench, account, params.id, body.event, body.seen);
    return roomOf(bench, account, params.id);
  },
  keptCarriers: () => keptCarriers(bench.database),
});
