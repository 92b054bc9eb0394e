import type { Works } from '@druckerei/core';
import type { Exchanged } from '@druckerei/contract';
import { inFileName } from '../../http/file-name.js';
import type { Handlers } from '../../http/register.js';
import { untilGone } from '../../http/until-gone.js';
import type { Bench } from '../jobs/bench.js';
import { nextNumber } from '../jobs/next-number.js';
import { keptPlan, readRevision } from '../jobs/revisions.js';
import { readEntries } from '../room/entries.js';
import { revisionWithoutPrices } from '../works/hidden-prices.js';
import { seesPrices } from '../works/sees-prices.js';
import { currentWorks } from '../works/works.js';

/** What a file of another program tells. Issues: 422, each fault with its line. */
export async function readExchange({ database, workshop }: Bench, bytes: Uint8Array): Promise<Exchanged> {
  const [works, number]: [Works, string] = [await currentWorks(database), await nextNumber(database)];
  return workshop.run('exchanged', { bytes, works, number });
}

export const exchangeHandlers = (bench: Bench): Pick<Handlers, 'xjdf' | 'readExchange'> => ({
  xjdf: async ({ account, params, response }) => {
    const { database, workshop } = bench;
    const revision = await readRevision(database, params.id, params.revision);
    const kept = await keptPlan(database, params.id, params.revision);
    const { job } = seesPrices(account) ? revision : revisionWithoutPrices(revision);
    const records = await readEntries(database, params.id);
    const text = await workshop.run('writtenXjdf', { revision, job, kept, records }, { signal: untilGone(response) });
    response.setHeader('Content-Disposition', `attachment; filename="${inFileName(job.number)}.xjdf"`);
    return Buffer.from(text);
  },
  readExchange: ({ body }) => readExchange(bench, Buffer.from(body.file, 'base64')),
});
