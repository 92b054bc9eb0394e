import type { Content } from 'pdfmake/interfaces.js';
import { renderPdf } from '../pdf/render.js';
import { type DestroyedBy, inEveryTongue } from '@druckerei/core';
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

const signs = (all: readonly CertificateSign[], { number, moment }: Tongue): Content =>
  table(
    [150, 110, 50, '*'],
    heads($localize`Who`, $localize`When`, `>${$localize`Entry`}`, $localize`Hash of the entry`),
    all.map(({ by, at, entry, sha256 }) => [
      by,
      moment(at),
      right(number(entry)),
      { text: grouped(sha256), fontSize: 6.5 },
    ]),
  );

/** How spoils were destroyed. */
const HOW = inEveryTongue((): Readonly<Record<DestroyedBy, string>> => ({
  cut: $localize`:destroyed|:cut`,
  shredded: $localize`shredded`,
  burned: $localize`burned`,
}));

/** What was done to the spoils. */
function saidOf({ bags, how, place }: DestructionDocument, { number }: Tongue): string {
  const counted = number(bags.reduce((sum, { count }) => sum + count, 0));
  const pieces = number(bags.reduce((sum, bag) => sum + bag.pieces, 0));
  return bags.length === 1
    ? $localize`1 bag of spoils with ${counted} counted, ${pieces} pieces, was ${HOW()[how]} at ${place}.`
    : $localize`${bags.length} bags of spoils with ${counted} counted, ${pieces} pieces, were ${HOW()[how]} at ${place}.`;
}

/** A certificate of destruction: what lay in which bags, who counted it, who saw it destroyed, with the hashes that prove it. */
export function destructionPdf(of: DestructionDocument): Promise<Buffer> {
  const tongue = tongueOf(of.locale);
  const { number, quantity } = tongue;
  const certificate = $localize`Certificate of destruction`;
  const title = `${certificate} ${of.number}`;
  const content: Content[] = [
    letterhead(of.works),
    { text: certificate, style: 'title', margin: [0, 18, 0, 0] },
    { text: `${of.number} ${of.title}, ${of.customer}`, bold: true, margin: [0, 4, 0, 0] },
    {
      text: saidOf(of, tongue),
      margin: [0, 4, 0, 12],
    },
    table(
      [70, 80, '*', 70, 70],
      heads($localize`Bag`, $localize`Seal`, $localize`Station`, `>${$localize`Counted`}`, `>${$localize`Pieces`}`),
      of.bags.map(({ bag, seal, station, count, unit, pieces: each }) => [
        bag,
        seal,
        station,
        right(quantity(count, unit)),
        right(number(each)),
      ]),
    ),
    { text: $localize`Counted by`, style: 'heading', margin: [0, 14, 0, 4] },
    signs(
      of.bags.flatMap(({ bag, counted }) => counted.map((one) => ({ ...one, by: $localize`${one.by}, bag ${bag}` }))),
      tongue,
    ),
    { text: $localize`Destroyed before`, style: 'heading', margin: [0, 14, 0, 4] },
    signs(of.witnesses, tongue),
    ...(of.voided.length > 0
      ? [
          { text: $localize`Voided numbers`, style: 'heading', margin: [0, 14, 0, 4] } as Content,
          table(
            [120, '*', 120],
            heads($localize`Number`, $localize`Reason`, $localize`Made again as`),
            of.voided.map(({ number: one, reason, remade }) => [one, reason, remade]),
          ),
        ]
      : []),
    {
      columns: of.witnesses.map(({ by }) => ({ text: `_______________________\n${by}`, margin: [0, 36, 0, 0] })),
    },
    {
      text: $localize`The book ended with entry ${number(of.head.entry)} when this was printed: ${grouped(of.head.sha256)}. Whoever has this paper can have its hashes looked up in the book.`,
      fontSize: 7.5,
      margin: [0, 24, 0, 4],
    },
    {
      text: $localize`Local law and the rules of the issuer come first: keep what they ask for beside this paper.`,
      fontSize: 7.5,
      italics: true,
    },
  ];
  return renderPdf({ info: { title }, content }, of.at);
}
