import type { AskedFamily, Family, ToldPaper, ToldProduct as Told } from '@druckerei/core';
import { isFold } from './products.js';
import { type Tree, named } from './tree.js';
import { BINDINGS, PRODUCT_TYPES, millimetres } from './words.js';

/** Separations of both sides. */
export interface ToldColours {
  readonly front: readonly string[];
  readonly back: readonly string[];
}
/** A product as the file tells it: its inks by their names. */
export type ToldProduct = Omit<Told, 'colours'> & { readonly colours: ToldColours | undefined };

/** The element of an intent of a product. */
const intentOf = (product: Tree, name: string): Tree | undefined =>
  named(product, 'Intent')
    .flatMap((intent) => named(intent, name))
    .at(0);

const FAMILY_OF = new Map<string, Family>([
  ...Object.entries(BINDINGS)
    .reverse()
    .map(([family, binding]) => [binding, family as Family] as const),
  ...Object.entries(PRODUCT_TYPES).map(([family, type]) => [type, family as Family] as const),
]);
/** A gang begins at its bench, and is asked for by no answers. */
const isAsked = (family: Family | undefined): family is AskedFamily => family !== undefined && family !== 'gang';

function familyOf(product: Tree): AskedFamily | undefined {
  const told = FAMILY_OF.get(product.attributes['ProductType'] ?? '');
  const bound = FAMILY_OF.get(intentOf(product, 'BindingIntent')?.attributes['BindingType'] ?? '');
  if (isAsked(told)) return told;
  if (isAsked(bound)) return bound;
  return intentOf(product, 'FoldingIntent') ? 'folded' : undefined;
}

const numberOf = (text: string | undefined): number | undefined => (text === undefined ? undefined : Number(text));

function paperOf(product: Tree | undefined): ToldPaper | undefined {
  const media = product && intentOf(product, 'MediaIntent');
  const { MediaQuality: name, Weight: gsm } = media?.attributes ?? {};
  return name === undefined && gsm === undefined ? undefined : { name, gsm: numberOf(gsm) };
}

function coloursOf(product: Tree): ToldColours | undefined {
  const intent = intentOf(product, 'ColorIntent');
  if (!intent) return undefined;
  const inks = (side: string): readonly string[] =>
    named(intent, 'SurfaceColor')
      .filter(({ attributes }) => attributes['Surface'] === side)
      .flatMap(({ attributes }) => attributes['ColorsUsed']?.split(/\s+/).filter(Boolean) ?? []);
  return { front: inks('Front'), back: inks('Back') };
}

/** "BusinessCard" in words. */
const inWords = (type: string): string => type.replace(/(\p{Ll})(\p{Lu})/gu, '$1 $2').replace(/[._-]+/g, ' ');

/** The product of a list: the one marked as the root, else the first. */
export const rootProduct = (list: Tree | undefined): Tree | undefined => {
  const products = list ? named(list, 'Product') : [];
  return products.find(({ attributes }) => /^(?:true|1)$/.test(attributes['IsRoot'] ?? '')) ?? products[0];
};

/** What a list of products tells: of the whole where it is told there, else of its body; the cover's paper beside. */
export function toldProduct(list: Tree | undefined): ToldProduct | undefined {
  const root = rootProduct(list);
  if (!list || !root) return undefined;
  const parts = named(list, 'Product').filter((one) => one !== root);
  const cover = parts.find(({ attributes }) => /cover/i.test(attributes['ProductType'] ?? ''));
  const bodies = parts.filter((one) => one !== cover);
  const from = [root, ...bodies];
  const of = <T>(read: (product: Tree) => T | undefined): T | undefined =>
    from.map(read).find((found) => found !== undefined);
  const size = of((product) => intentOf(product, 'LayoutIntent')?.attributes['FinishedDimensions'])
    ?.trim()
    .split(/\s+/)
    .map((point) => millimetres(Number(point)));
  const pagesOf = (product: Tree): number | undefined =>
    numberOf(intentOf(product, 'LayoutIntent')?.attributes['Pages']);
  const bodyPages = bodies.reduce((sum, product) => sum + (pagesOf(product) ?? 0), 0);
  const fold = intentOf(root, 'FoldingIntent')?.attributes['d:Fold'];
  const { ProductType: type = '', DescriptiveName: name = '' } = root.attributes;
  return {
    family: familyOf(root),
    words: `${inWords(type)} ${name}`.trim(),
    widthMm: size?.[0],
    heightMm: size?.[1],
    pages: pagesOf(root) ?? (bodyPages > 0 ? bodyPages : undefined),
    colours: of(coloursOf),
    paper: of(paperOf),
    cover: paperOf(cover),
    fold: fold !== undefined && isFold(fold) ? fold : undefined,
  };
}
