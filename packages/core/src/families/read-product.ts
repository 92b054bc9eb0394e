import type { FoldKind } from '../job/index.js';
import { bareName } from '../kernel/index.js';
import type { Stock, Works } from '../works/index.js';
import type { AskedFamily } from './answers.js';
import { FAMILY_RULES } from './family-rules.js';
import { stocksFor } from './offers.js';
import { type ReadOrder, readOrder } from './read-order.js';

/** A paper as another program tells it. */
export interface ToldPaper {
  readonly name?: string | undefined;
  /** g/m2. */
  readonly gsm?: number | undefined;
}

/** A product as another program tells it. */
export interface ToldProduct {
  /** Where it is told in so many words. */
  readonly family?: AskedFamily | undefined;
  /** What it is called. */
  readonly words: string;
  readonly widthMm?: number | undefined;
  readonly heightMm?: number | undefined;
  readonly pages?: number | undefined;
  readonly colours?: { readonly front: number; readonly back: number } | undefined;
  readonly paper?: ToldPaper | undefined;
  readonly cover?: ToldPaper | undefined;
  readonly fold?: FoldKind | undefined;
}

/** The stock that a paper is called, else the only one of its weight whose name has one of its words, else one of its weight. */
function stockOf(stocks: readonly Stock[], { name = '', gsm }: ToldPaper): Stock | undefined {
  const named = stocks.find((stock) => stock.id === name || bareName(stock.name) === bareName(name));
  if (named) return named;
  const heavy = stocks.filter((stock) => stock.gsm === gsm);
  const words = name.toLowerCase().match(/\p{L}{3,}/gu) ?? [];
  return heavy.find((stock) => words.some((word) => stock.name.toLowerCase().includes(word))) ?? heavy[0];
}

const paperText = ({ name, gsm }: ToldPaper): string =>
  [name, gsm === undefined ? undefined : `${gsm} g/m²`].filter(Boolean).join(', ');

/**
 * What another program tells of a product, as answers: its family by what it is called where it is not told otherwise, its papers by their names, else
 * by their weights. Papers that the works has not are left. Source: common practice, no source.
 */
export function readProduct(told: ToldProduct, works: Works): ReadOrder {
  const family = told.family ?? readOrder(told.words, works).family;
  const { widthMm, heightMm, pages, colours, fold } = told;
  const stocks = stocksFor(FAMILY_RULES[family ?? 'flat'].press, works);
  const papers = { stock: told.paper, coverStock: told.cover };
  const found = {
    stock: papers.stock && stockOf(stocks, papers.stock)?.id,
    coverStock: papers.coverStock && stockOf(stocks, papers.coverStock)?.id,
  };
  const left = (['stock', 'coverStock'] as const).flatMap((field) => {
    const paper = papers[field];
    return paper && found[field] === undefined ? [paperText(paper)] : [];
  });
  return {
    ...(family ? { family } : {}),
    ...(widthMm !== undefined && heightMm !== undefined ? { widthMm, heightMm } : {}),
    ...(pages === undefined ? {} : { pages }),
    ...(colours ? { colours } : {}),
    ...(fold ? { fold } : {}),
    ...(found.stock === undefined ? {} : { stock: found.stock }),
    ...(found.coverStock === undefined ? {} : { coverStock: found.coverStock }),
    understood: [],
    left,
  };
}
