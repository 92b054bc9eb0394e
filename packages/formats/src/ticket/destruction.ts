import type { Content } from 'pdfmake/interfaces.js';
import { renderPdf } from '../pdf/render.js';
import { number } from './document.js';
import { type BookHead, grouped } from '../pdf/book-head.js';
import { type Letterhead, letterhead } from './letterhead.js';
import { heads, right, table } from './table.js';

/** Somebody who did or saw something, with the hash of the entry that says so. */
export interface CertificateSign {
  readonly by: string;
  /** As it is printed. */
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
  /** When the last witness signed: printed, and the date of the file. */
  readonly at: Date;
  readonly how: string;
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

const DEFER = 'Local law and the rules of the issuer come first: keep what they ask for beside this paper.';
/** Hashes in groups of eight digits, to be read and compared. */

const signs = (all: readonly CertificateSign[]): Content =>
  table(
    [150, 110, 50, '*'],
    heads('Who', 'When', '>Entry', 'Hash of the entry'),
    all.map(({ by, at, entry, sha256 }) => [by, at, right(number(entry)), { text: grouped(sha256), fontSize: 6.5 }]),
  );

/** A certificate of destruction: what lay in which bags, who counted it, who saw it destroyed, with the hashes that prove it. */
export function destructionPdf(of: DestructionDocument): Promise<Buffer> {
  const units = of.bags.reduce((sum, { count }) => sum + count, 0);
  const pieces = of.bags.reduce((sum, bag) => sum + bag.pieces, 0);
  const content: Content[] = [
    letterhead(of.works),
    { text: 'Certificate of destruction', style: 'title', margin: [0, 18, 0, 0] },
    { text: `${of.number} ${of.title}, ${of.customer}`, bold: true, margin: [0, 4, 0, 0] },
    {
      text: `${of.bags.length} ${of.bags.length === 1 ? 'bag' : 'bags'} of spoils with ${number(units)} counted, ${number(pieces)} pieces, were ${of.how} at ${of.place}.`,
      margin: [0, 4, 0, 12],
    },
    table(
      [70, 80, '*', 70, 70],
      heads('Bag', 'Seal', 'Station', '>Counted', '>Pieces'),
      of.bags.map(({ bag, seal, station, count, unit, pieces: each }) => [
        bag,
        seal,
        station,
        right(`${number(count)} ${unit}${count === 1 ? '' : 's'}`),
        right(number(each)),
      ]),
    ),
    { text: 'Counted by', style: 'heading', margin: [0, 14, 0, 4] },
    signs(of.bags.flatMap(({ bag, counted }) => counted.map((one) => ({ ...one, by: `${one.by}, bag ${bag}` })))),
    { text: 'Destroyed before', style: 'heading', margin: [0, 14, 0, 4] },
    signs(of.witnesses),
    ...(of.voided.length > 0
      ? [
          { text: 'Voided numbers', style: 'heading', margin: [0, 14, 0, 4] } as Content,
          table(
            [120, '*', 120],
            heads('Number', 'Reason', 'Made again as'),
            of.voided.map(({ number: one, reason, remade }) => [one, reason, remade]),
          ),
        ]
      : []),
    {
      columns: of.witnesses.map(({ by }) => ({ text: `_______________________\n${by}`, margin: [0, 36, 0, 0] })),
    },
    {
      text: `The book ended with entry ${number(of.head.entry)} when this was printed: ${grouped(of.head.sha256)}. Whoever has this paper can have its hashes looked up in the book.`,
      fontSize: 7.5,
      margin: [0, 24, 0, 4],
    },
    { text: DEFER, fontSize: 7.5, italics: true },
  ];
  return renderPdf({ info: { title: `Certificate of destruction ${of.number}` }, content }, of.at);
}
