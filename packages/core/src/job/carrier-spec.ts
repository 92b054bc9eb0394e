import type { Mm } from '../kernel/index.js';
import type { CheckSystem } from '../finishing/index.js';
import type { CarrierKind, Engraving, Motif } from '../press/index.js';

/** How the carriers of a component are made. */
export interface CarrierSpec {
  readonly owner?: 'house' | 'customer' | undefined;
  /** Lines an inch. */
  readonly rulingLpi?: number | undefined;
  /** Screen angle by ink, degrees; the usual set where absent. */
  readonly angles?: Readonly<Record<string, number>> | undefined;
  /** Images that one etched plate carries before it is cut apart. */
  readonly imagesPerPlate?: number | undefined;
  readonly engraving?: Engraving | undefined;
  /** Gravure: what the artwork holds, for the advice how to engrave it. */
  readonly motif?: Motif | undefined;
}

/** A die or numbering box that a component wants beside its printing carriers. */
export interface Tool {
  readonly id: string;
  readonly kind: Extract<
    CarrierKind,
    'letterpress-die' | 'foil-die' | 'embossing-die' | 'embossing-roller' | 'cutting-die' | 'numbering-box'
  >;
  readonly name: string;
  readonly count?: number | undefined;
  /** Foil and embossing: size of one die, its height along the foil. */
  readonly widthMm?: Mm | undefined;
  readonly heightMm?: Mm | undefined;
  /** Embossing: with a counter. */
  readonly counter?: boolean | undefined;
  readonly owner?: 'house' | 'customer' | undefined;
  /** Numbering: first number, step, whether a check character closes it, and numbers left out. */
  readonly start?: number | undefined;
  readonly step?: number | undefined;
  readonly check?: boolean | undefined;
  /** Numbering: how the check character is made; MOD 97-10 where one is asked for and nothing is told. */
  readonly checkSystem?: CheckSystem | undefined;
  /** Numbering: digits of the number, filled with zeros; and how often it stands on one piece. */
  readonly digits?: number | undefined;
  readonly places?: number | undefined;
  readonly skips?: string | undefined;
  /** Numbering: numbers that were printed and voided, such as `7, 100-105`. */
  readonly voids?: string | undefined;
  /** Numbering: letters before the number, and whether the lowest lies on top of a delivered pile. */
  readonly prefix?: string | undefined;
  readonly lowestOnTop?: boolean | undefined;
}
