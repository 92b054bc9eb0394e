import type { Content } from 'pdfmake/interfaces.js';
import { renderPdf } from '../pdf/render.js';
import type { DestroyedBy } from '@druckerei/core';
import { type BookHead, grouped } from '../pdf/book-head.js';
import { type Letterhead, letterhead } from '../ticket/letterhead.js';
import { heads, right, table } from '../ticket/table.js';
import { type Tongue, tongueOf } from './tongue.js';

/** Somebody who did or saw something, with the hash of the entry that says so. */
export interface CertificateSign {
  readonly by: string;
  /** Day and hour on the clock of the works, `2026-12-01 14:05`. */
  readonly at: string;
  readonly entry: number;
  readonly sha256: string;
}

/** A certificate of destroyed spoils. */
export interface DestructionDocument {
  readonly number: string;
  readonly title: string;
  readonly customer: string;
  readonly works: Letterhead;
  /** Language and place of whom it goes to, BCP 47. */
  readonly locale?: string | undefined;
  /** When the last witness signed: printed, and the date of the file. */
  readonly at: Date;
  readonly how: DestroyedBy;
  readonly place: string;
  readonly bags: readonly {
    readonly bag: string;
    readonly seal: string;
    readonly station: string;
    readonly count: number;
    readonly unit: string;
    /** Finished pieces that they could have become. */
    readonly pieces: number;
    readonly counted: readonly CertificateSign[];
  }[];
  readonly witnesses: readonly CertificateSign[];
  readonly voided: readonly { readonly number: string; readonly reason: string; readonly remade: string }[];
  /** The last entry of the book when this was printed. */
  readonly head: BookHead;
}

const signs = (all: readonly CertificateSign[], { words, number, moment }: Tongue): Content =>
  table(
    [150, 110, 50, '*'],
    heads(words.who, words.when, `>${words.entry}`, words.hash),
    all.map(({ by, at, entry, sha256 }) => [
      by,
      moment(at),
      right(number(entry)),
      { text: grouped(sha256), fontSize: 6.5 },
    ]),
  );

/** A certificate of destruction: what lay in which bags, who counted it, who saw it destroyed, with the hashes that prove it. */
export function destructionPdf(of: DestructionDocument): Promise<Buffer> {
  const tongue = tongueOf(of.locale);
  const { words, number, quantity } = tongue;
  const title = `${words.certificate} ${of.number}`;
  const units = of.bags.reduce((sum, { count }) => sum + count, 0);
  const pieces = of.bags.reduce((sum, bag) => sum + bag.pieces, 0);
  const content: Content[] = [
    letterhead(of.works),
    { text: words.certificate, style: 'title', margin: [0, 18, 0, 0] },
    { text: `${of.number} ${of.title}, ${of.customer}`, bold: true, margin: [0, 4, 0, 0] },
    {
      text: words.destroyed({
        ...{ bags: of.bags.length, counted: number(units), pieces: number(pieces) },
        ...{ how: words.how[of.how], place: of.place },
      }),
      margin: [0, 4, 0, 12],
    },
    table(
      [70, 80, '*', 70, 70],
      heads(words.bag, words.seal, words.station, `>${words.counted}`, `>${words.ofPieces}`),
      of.bags.map(({ bag, seal, station, count, unit, pieces: each }) => [
        bag,
        seal,
        station,
        right(quantity(count, unit)),
        right(number(each)),
      ]),
    ),
    { text: words.countedBy, style: 'heading', margin: [0, 14, 0, 4] },
    signs(
      of.bags.flatMap(({ bag, counted }) => counted.map((one) => ({ ...one, by: words.ofBag(one.by, bag) }))),
      tongue,
    ),
    { text: words.destroyedBefore, style: 'heading', margin: [0, 14, 0, 4] },
    signs(of.witnesses, tongue),
    ...(of.voided.length > 0
      ? [
          { text: words.voided, style: 'heading', margin: [0, 14, 0, 4] } as Content,
          table(
            [120, '*', 120],
            heads(words.number, words.reason, words.remade),
            of.voided.map(({ number: one, reason, remade }) => [one, reason, remade]),
          ),
        ]
      : []),
    {
      columns: of.witnesses.map(({ by }) => ({ text: `_______________________\n${by}`, margin: [0, 36, 0, 0] })),
    },
    {
      text: words.bookEnded(number(of.head.entry), grouped(of.head.sha256)),
      fontSize: 7.5,
      margin: [0, 24, 0, 4],
    },
    { text: words.caution, fontSize: 7.5, italics: true },
  ];
  return renderPdf({ info: { title }, content }, of.at);
}
