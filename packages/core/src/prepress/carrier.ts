import { own, wordOf } from '../kernel/index.js';
import { type CarrierKind, distortionPercent } from '../press/index.js';
import type { NormLookup } from '../norms/index.js';
import type { ComponentLayout } from '../press-sheet/index.js';
import type { Component, Job } from '../job/index.js';
import { FACE_ALLOWANCE_MM, cylinderRoute } from './cylinder-route.js';

/** One plate, cylinder, stencil, die or box that has to be there before the press starts. */
export interface Carrier {
  /** Stays the same while the job is edited: component, side, ink, version, set, position. */
  readonly id: string;
  readonly kind: CarrierKind;
  readonly component: string;
  /** Pass on another press that it is for; undefined at the component's own. */
  readonly step: string | undefined;
  readonly name: string;
  readonly side: 'front' | 'back' | 'both' | undefined;
  readonly ink: string | undefined;
  readonly version: string | undefined;
  /** From 1; a further set replaces a worn one. */
  readonly set: number;
  /** Place on the form or cylinder, from 1, where a colour has several. */
  readonly position: number | undefined;
  /** Unit of the press, from 1. */
  readonly unit: number | undefined;
  readonly widthMm: number | undefined;
  readonly heightMm: number | undefined;
  readonly gaugeMm: number | undefined;
  readonly pins: string | undefined;
  readonly rulingLpi: number | undefined;
  readonly angle: number | undefined;
  /** Flexo: shortened in the making by so many per cent. */
  readonly distortionPercent: number | undefined;
  readonly note: string | undefined;
  readonly makingHours: number;
  /** Impressions that the job asks of it, and that it stands. */
  readonly impressions: number;
  readonly life: number;
  readonly owner: 'house' | 'customer';
  /** Two carriers of this key carry the same image: a reorder finds them. */
  readonly key: string;
}

/** Usual screen angles, degrees; flexo turns the set by 7.5. Source: practice, handbook chapter 4. */
const ANGLES: Readonly<Record<string, number>> = { C: 15, M: 75, Y: 0, K: 45 };
const FLEXO_TURN = 7.5;
/** Middle of the usual rulings, lines an inch. Source: practice, handbook chapter 4. */
const RULING = { coated: 175, uncoated: 135 } as const;
/** Text as a part of an id. */
export const slug = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '') || 'x';

/** Hours that a carrier of a kind takes to be made. */
export function makingHours(kind: CarrierKind, layout: ComponentLayout | undefined, norms: NormLookup): number {
  const value = (id: string): number => norms(id).value;
  if (kind === 'cylinder' && layout) return cylinderRoute(layout, norms).reduce((sum, { hours }) => sum + hours, 0);
  if (kind === 'numbering-box') return 0;
  if (kind.endsWith('die') || kind.endsWith('counter')) return value('carrier.die.hours');
  return value(`carrier.${kind}.minutes`) / 60;
}

/** Size, screen and note of a printing carrier. */
export function made(
  kind: CarrierKind,
  layout: ComponentLayout,
  ink: string,
): Pick<Carrier, 'widthMm' | 'heightMm' | 'gaugeMm' | 'pins' | 'rulingLpi' | 'angle' | 'distortionPercent' | 'note'> {
  const { component, machine, stock, piece } = layout;
  const plate = machine.press?.plate;
  const { carriers } = component;
  const repeat = component.sheet.heightMm;
  const flexo = kind === 'flexo-plate';
  const screened = kind === 'plate' || flexo || kind === 'form-plate' || kind === 'stencil';
  const usual = own(ANGLES, ink);
  const flat = flexo && plate?.baseMm !== undefined && plate.inTheRound !== true;
  const size =
    kind === 'cylinder'
      ? { widthMm: component.sheet.widthMm + 2 * FACE_ALLOWANCE_MM, heightMm: repeat }
      : kind === 'form-plate'
        ? { widthMm: piece.widthMm, heightMm: piece.heightMm }
        : { widthMm: plate?.widthMm, heightMm: flexo ? repeat : plate?.heightMm };
  const images = carriers?.imagesPerPlate ?? 1;
  return {
    ...size,
    gaugeMm: plate?.gaugeMm,
    pins: plate?.pins,
    rulingLpi: screened ? (carriers?.rulingLpi ?? RULING[stock.coated ? 'coated' : 'uncoated']) : undefined,
    angle: screened
      ? (own(carriers?.angles, ink) ?? (usual === undefined ? undefined : usual + (flexo ? FLEXO_TURN : 0)))
      : undefined,
    distortionPercent: flat ? distortionPercent(plate.gaugeMm, plate.baseMm ?? 0, repeat) : undefined,
    note:
      kind === 'cylinder'
        ? $localize`engraved by ${wordOf(carriers?.engraving ?? 'stylus')}`
        : kind === 'recessed-plate' && images > 1
          ? $localize`one etched plate cut into ${images} images`
          : undefined,
  };
}

/** A recessed plate prints against a counter of its own. */
export function withCounter(carrier: Carrier): Carrier[] {
  if (carrier.kind !== 'recessed-plate') return [carrier];
  const { id, key } = carrier;
  return [
    carrier,
    {
      ...carrier,
      id: `${id}.counter`,
      kind: 'counter',
      key: `${key}/counter`,
      note: $localize`made from the first print`,
    },
  ];
}

/** What the same image of the same job is known by, so that a reorder finds it. */
export const imageKey = ({ customer, title }: Job, { sheet }: Component, parts: readonly string[]): string =>
  [customer, title, ...parts, sheet.widthMm, sheet.heightMm].map(String).map(slug).join('/');
