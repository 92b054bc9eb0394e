import type { School } from '../flow/index.js';
import type { Artwork } from './artwork.js';
import type { Contact } from '../works/index.js';
import type { Finish } from './finish.js';
import type { Part } from './part.js';
import type { Order } from './order.js';
import type { InkSpec } from './ink.js';
import type { Item } from './item.js';
import type { Binding } from './binding.js';
import type { Component } from './component.js';
import type { Step } from './step.js';

export * from './finish.js';

/** Every family of products. */
export const FAMILIES = [
  'flat',
  'folded',
  'web-leaflet',
  'saddle-stitched',
  'perfect-bound',
  'case-bound',
  'carton',
  'wallet',
  'laminated-box',
  'corrugated-case',
  'envelope',
  'paper-roll',
  'labels',
  'numbered',
  'stationery',
  'on-demand',
  'gang',
] as const;
/** One of the families. */
export type Family = (typeof FAMILIES)[number];

/** An element of an exchange file that is not understood here, kept so that it goes back with the job. */
export interface ForeignElement {
  /** Path of the element that it stood in, from the root, with places from 1: `/ProductList[1]/Product[2]`; empty for the root. */
  readonly at: string;
  /** The element with its namespaces, as XML. */
  readonly xml: string;
}

/** A job as the planner specifies it. The Druckerei job file is this, as JSON. */
export interface Job {
  readonly format: 'druckerei-job';
  readonly version: 1;
  readonly number: string;
  readonly title: string;
  readonly customer: string;
  readonly family: Family;
  /** ISO 8601 date. */
  readonly due?: string | undefined;
  readonly order: Order;
  readonly school: School;
  /** Text pages of a bound product, cover not counted. */
  readonly pages?: number | undefined;
  /** Saddle work where absent. */
  readonly binding?: Binding | undefined;
  readonly components: readonly Component[];
  /** Inks that are more than their name: mixed colours, metallics, varnishes. */
  readonly inks?: readonly InkSpec[] | undefined;
  /** Bought ready made, taken in by the route as `part.<id>`. */
  readonly parts?: readonly Part[] | undefined;
  readonly finish?: Finish | undefined;
  /** What the product touches: inks, stocks and glues have to be cleared for it. */
  readonly contact?: Contact | undefined;
  /** Its pieces are worth something: every sheet, spoil and number is accounted for. */
  readonly accountable?:
    | { readonly faceValue: number; readonly remake: 'same' | 'new'; readonly inspect?: 'sample' | 'all' | undefined }
    | undefined;
  /** Items of a gang, each ordered by itself. */
  readonly items?: readonly Item[] | undefined;
  /** Files of artwork that were examined. */
  readonly artwork?: readonly Artwork[] | undefined;
  /** What came with it from another program and is not understood. */
  readonly foreign?: readonly ForeignElement[] | undefined;
  readonly route: readonly Step[];
  /** Norms of the works overridden for this job, by norm id. */
  readonly norms: Readonly<Record<string, number>>;
}

/** A job without what its order asks: all that a structure may be made of. */
export type Unordered = Omit<Job, 'order'>;

/** Pieces of all items together; undefined where the job has none. */
export const itemsTotal = ({ items }: Job): number | undefined =>
  items?.length ? items.reduce((total, { quantity }) => total + quantity, 0) : undefined;
