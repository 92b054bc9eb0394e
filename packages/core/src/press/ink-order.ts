import type { PrintProcess } from './process.js';

/** What an ink is for the order of printing. */
export const INK_KINDS = ['ground', 'white', 'metallic', 'process', 'mixed', 'special', 'varnish', 'coating'] as const;
/** What an ink is. */
export type InkKind = (typeof INK_KINDS)[number];

/** Schools of the order of process colours. Source: practice, handbook chapter 5 "Order of colours". */
export const INK_SCHOOLS = ['black-first', 'black-last', 'black-magenta'] as const;
/** Schools of the order of inks. */
export type InkSchool = (typeof INK_SCHOOLS)[number];

const PROCESS_ORDER: Readonly<Record<InkSchool, readonly string[]>> = {
  'black-first': ['K', 'C', 'M', 'Y'],
  'black-last': ['C', 'M', 'Y', 'K'],
  'black-magenta': ['K', 'M', 'C', 'Y'],
};

/** Which rule put an ink where it stands. */
export type OrderRule = 'under-all' | 'school' | 'free-unit' | 'over-all' | 'drawing-last' | 'by-hand';

/** An ink in its order, with the rule that put it there. */
export interface OrderedInk {
  readonly name: string;
  readonly kind: InkKind;
  readonly rule: OrderRule;
}

/** Grounds, opaque whites and metallics lie under the transparent inks; mixed colours follow, varnish after all. */
const LAYER: Readonly<Record<InkKind, number>> = {
  ground: 0,
  white: 1,
  metallic: 2,
  process: 3,
  mixed: 4,
  special: 5,
  varnish: 7,
  coating: 8,
};
/** Black closes the drawing in gravure, after mixed colours. */
const DRAWING_LAYER = 6;

const ruleOf = (kind: InkKind, closes: boolean): OrderRule => {
  if (closes) return 'drawing-last';
  if (LAYER[kind] < LAYER.process) return 'under-all';
  if (LAYER[kind] >= LAYER.varnish) return 'over-all';
  return kind === 'process' ? 'school' : 'free-unit';
};

/**
 * Inks in the order they are printed. Where `byHand` names all of them, that order stands.
 * @param inks of one side, each name once. Source: practice, handbook chapter 5 "Order of colours".
 */
export function orderInks(
  inks: readonly { readonly name: string; readonly kind: InkKind }[],
  school: InkSchool,
  process: PrintProcess,
  byHand: readonly string[] = [],
): OrderedInk[] {
  if (byHand.length > 0) {
    const at = (name: string): number => {
      const place = byHand.indexOf(name);
      return place === -1 ? byHand.length : place;
    };
    return [...inks]
      .sort((one, other) => at(one.name) - at(other.name))
      .map(({ name, kind }) => ({ name, kind, rule: 'by-hand' }));
  }
  const closes = (name: string): boolean => process === 'gravure' && name === 'K';
  const inSchool = (name: string): number => {
    const place = PROCESS_ORDER[school].indexOf(name);
    return place === -1 ? PROCESS_ORDER[school].length : place;
  };
  const layer = ({ name, kind }: { name: string; kind: InkKind }): number =>
    closes(name) ? DRAWING_LAYER : LAYER[kind];
  return [...inks]
    .sort((one, other) => layer(one) - layer(other) || inSchool(one.name) - inSchool(other.name))
    .map(({ name, kind }) => ({ name, kind, rule: ruleOf(kind, closes(name)) }));
}

/** An ink that is printed before one that has to come first. */
export interface OrderBreak {
  readonly ink: string;
  readonly before: string;
}

/**
 * Where an order by hand breaks the rules of layers; the school of process colours and the place of mixed colours are free.
 * @param inks in the order they are printed; each is told once, with the first that it should follow.
 */
export function orderBreaks(
  inks: readonly { readonly name: string; readonly kind: InkKind }[],
  process: PrintProcess,
): OrderBreak[] {
  const layer = ({ name, kind }: { name: string; kind: InkKind }): number => {
    if (process === 'gravure' && name === 'K') return DRAWING_LAYER;
    const at = LAYER[kind];
    return at > LAYER.process && at < DRAWING_LAYER ? LAYER.process : at;
  };
  return inks.flatMap((ink, i) => {
    const under = inks.slice(i + 1).find((later) => layer(later) < layer(ink));
    return under ? [{ ink: ink.name, before: under.name }] : [];
  });
}
