import {
  type Bag,
  type Destruction,
  type RoomCard,
  type Signed,
  type Works,
  isWitnessed,
  piecesPerUnit,
  roomState,
  wallClock,
} from '@druckerei/core';
import type { DestructionDocument } from '@druckerei/formats';
import { inFileName } from '../../http/file-name.js';
import type { Handlers } from '../../http/register.js';
import { inTongue } from '../../http/tongue.js';
import { ProblemError, notFound } from '../../http/problem.js';
import { assessmentOf } from '../assessments/assessments.js';
import { localeOf } from '../customers/locale-of.js';
import type { Bench } from '../jobs/bench.js';
import { currentLogo } from '../works/logo.js';
import { currentWorks } from '../works/works.js';
import { readEntries } from './entries.js';

interface JobRow extends Record<string, unknown> {
  readonly number: string;
  readonly title: string;
  readonly customer: string;
}
interface HashRow extends Record<string, unknown> {
  readonly id: number;
  readonly sha256: string;
  readonly head: boolean;
}

/** What a certificate says, out of the book; refused until two people have seen it. */
async function certificate({ database, workshop }: Bench, job: number, record: number): Promise<DestructionDocument> {
  const row = await database.one<JobRow>('room/job', job);
  const { card } = row ? await assessmentOf(database, workshop, job) : {};
  const { account } = roomState(row ? await readEntries(database, job) : []);
  const destruction = account.destructions.get(record);
  if (!row || !card || !destruction) throw notFound($localize`This destruction`);
  if (!isWitnessed(destruction))
    throw new ProblemError(409, $localize`Nobody else has witnessed this destruction yet`, {
      detail: $localize`A second person who saw it enters so; then the certificate is printed.`,
    });
  const works = await currentWorks(database);
  const bags = destruction.bags.flatMap((one) => account.bags.get(one) ?? []);
  const ids = [...destruction.witnesses, ...bags.flatMap(({ counts }) => counts)].map(({ id }) => id);
  const hashes = await database.many<HashRow>('room/hashes', JSON.stringify(ids));
  const { number, title, customer } = row;
  const locale = await localeOf(database, customer, works);
  return {
    ...(locale === undefined ? {} : { locale }),
    ...{ number, title, customer, how: destruction.how, place: destruction.place },
    works: { ...works, logo: await currentLogo(database) },
    ...signed(card, destruction, bags, hashes, works),
    voided: [...account.voided.values()].map(({ number: one, reason, remade }) => ({
      ...{ number: one, reason, remade: remade ?? '' },
    })),
  };
}

function signed(
  { steps }: RoomCard,
  { witnesses }: Destruction,
  bags: readonly Bag[],
  hashes: readonly HashRow[],
  { timeZone }: Works,
): Pick<DestructionDocument, 'at' | 'bags' | 'witnesses' | 'head'> {
  const byId = new Map(hashes.map(({ id, sha256 }) => [id, sha256]));
  const sign = ({ id, by, at }: Signed): DestructionDocument['witnesses'][number] => ({
    ...{ by, entry: id, sha256: byId.get(id) ?? '' },
    at: wallClock(Date.parse(at), timeZone).replace('T', ' '),
  });
  const pieces = piecesPerUnit(steps);
  const last = hashes.find(({ head }) => head);
  return {
    at: new Date(witnesses.at(-1)?.at ?? 0),
    bags: bags.map(({ bag, seal, step, counts }) => {
      const count = counts.at(-1)?.count ?? 0;
      const station = steps.find(({ id }) => id === step);
      return {
        ...{ bag, seal, count, station: station?.title ?? step, unit: station?.unitIn ?? '' },
        pieces: count * (pieces.get(step) ?? 0),
        counted: counts.map(sign),
      };
    }),
    witnesses: witnesses.map(sign),
    head: { entry: last?.id ?? 0, sha256: last?.sha256 ?? '' },
  };
}

export const destructionHandlers = (bench: Bench): Pick<Handlers, 'destructionPdf'> => ({
  destructionPdf: async ({ params, response }) => {
    const document = await certificate(bench, params.id, params.record);
    const made = await inTongue(document.locale, () => bench.workshop.run('destruction', document));
    response.setHeader(
      'Content-Disposition',
      `inline; filename="destruction-${inFileName(document.number)}-${params.record}.pdf"`,
    );
    return Buffer.from(made);
  },
});
