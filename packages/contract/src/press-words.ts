import { measureOf, numberText } from '@druckerei/core';
import type {
  BalanceWay,
  Carrier,
  CarrierKind,
  CarrierState,
  ColourAdvice,
  Contact,
  Drying,
  InkKind,
  InkSchool,
  MeasureSystem,
  OrderRule,
  RegisterAdvice,
  RegisterKind,
} from '@druckerei/core';

export const CARRIER_NAMES: Readonly<Record<CarrierKind, string>> = {
  plate: $localize`Plate`,
  'flexo-plate': $localize`Flexo plate`,
  cylinder: $localize`Gravure cylinder`,
  'recessed-plate': $localize`Recessed plate`,
  counter: $localize`Counter`,
  'form-plate': $localize`Form plate`,
  stencil: $localize`Stencil`,
  'letterpress-die': $localize`Letterpress die`,
  'foil-die': $localize`Foil die`,
  'embossing-die': $localize`Embossing die`,
  'embossing-counter': $localize`Embossing counter`,
  'embossing-roller': $localize`Embossing roller`,
  'cutting-die': $localize`Cutting die`,
  'numbering-box': $localize`Numbering box`,
};

export const CARRIER_STATE_WORDS: Readonly<Record<CarrierState, string>> = {
  wanted: $localize`Wanted`,
  made: $localize`Made`,
  inspected: $localize`Inspected`,
  'on-press': $localize`On press`,
  held: $localize`Held`,
  kept: $localize`Kept`,
  recycled: $localize`Recycled`,
  destroyed: $localize`Destroyed`,
};

export const DRYING_WORDS: Readonly<Record<Drying, string>> = {
  oxidative: $localize`by oxidation`,
  'fast-setting': $localize`fast setting`,
  uv: $localize`under UV lamps`,
  heatset: $localize`in the oven of the web`,
  'water-based': $localize`its water goes`,
  solvent: $localize`its solvent goes`,
  toner: $localize`fused toner`,
};
export const INK_KIND_WORDS: Readonly<Record<InkKind, string>> = {
  process: $localize`Process`,
  mixed: $localize`Mixed colour`,
  metallic: $localize`Metallic`,
  ground: $localize`Ground`,
  white: $localize`Opaque white`,
  special: $localize`Special`,
  varnish: $localize`Varnish`,
  coating: $localize`Coating`,
};

/** What a product may touch that asks for clearance. */
export const CONTACT_WORDS: Readonly<Record<Contact, string>> = {
  food: 'food',
  toy: 'toys',
  pharmacy: 'medicines',
};

export const INK_SCHOOL_WORDS: Readonly<Record<InkSchool, string>> = {
  'black-first': $localize`black first: K C M Y`,
  'black-last': $localize`black last: C M Y K`,
  'black-magenta': $localize`black, magenta: K M C Y`,
};

/** Why an ink stands where it does. */
export const ORDER_RULE_WORDS: Readonly<Record<OrderRule, string>> = {
  'under-all': $localize`under the transparent inks`,
  school: $localize`process, by the school`,
  'free-unit': $localize`in the free unit`,
  'over-all': $localize`over all inks`,
  'drawing-last': $localize`closes the drawing`,
  'by-hand': $localize`set by hand`,
};

export const REGISTER_WORDS: Readonly<Record<RegisterKind, string>> = {
  colours: $localize`Colour to colour`,
  sides: $localize`Front to back`,
  fold: $localize`Print to fold`,
  cut: $localize`Print to cut`,
  perforation: $localize`Print to perforation`,
  die: $localize`Print to die`,
  foil: $localize`Print to foil`,
  'cut-off': $localize`Print to cut-off`,
  'paper-mark': $localize`Print to the mark in the paper`,
};

export const REGISTER_ADVICE_WORDS: Readonly<Record<RegisterAdvice, string>> = {
  'in-tolerance': $localize`In tolerance; leave it.`,
  'move-plate': $localize`Move the plate across and around as told.`,
  'cock-plate': $localize`Cock the plate as told; look at the lays if the sheets differ among each other.`,
  'look-at-lays': $localize`Sheets differ more than the mean is off: lays, grippers and feeder, not the plate.`,
  stretch: $localize`The sheet has stretched, and no move mends that: condition the paper, look at the grain, run less water, or compensate the next plates.`,
  drift: $localize`It drifts over the run: measure again soon, look at water and temperature.`,
};

export const COLOUR_ADVICE_WORDS: Readonly<Record<ColourAdvice, string>> = {
  'on-aim': $localize`On its aim; leave it.`,
  'more-ink': $localize`Density is low: give more ink.`,
  'less-ink': $localize`Density is high: give less ink.`,
  'gain-high': $localize`Tone value increase is high: look at pressure, packing, water and blanket.`,
  'gain-low': $localize`Tone value increase is low: look at pressure and at the plate.`,
  'wrong-hue': $localize`Density is right but the colour is not: another ink, other paper, or contamination; keys do not mend it.`,
  'colour-drift': $localize`It drifts over the run: measure again soon, look at water and temperature.`,
};

/** What a carrier is of: `K, front, Dutch, set 2, place 3`. */
export const carrierWords = ({ ink, name, side, version, set, position }: Carrier): string =>
  [
    ink ?? name,
    ...(side === undefined || ink === undefined ? [] : [side === 'both' ? $localize`both sides` : side]),
    ...(version === undefined ? [] : [version]),
    ...(set > 1 ? [$localize`set ${set}`] : []),
    ...(position === undefined ? [] : [$localize`place ${position}`]),
  ].join(', ');

const rounded = (value: number, digits = 1): string => numberText(value, digits);

/** How a carrier is made: `1,030 x 790 mm, 0.3 thick; 175 lines an inch at 15°`. */
export const makingWords = (carrier: Carrier, system: MeasureSystem = 'metric'): string => {
  const { show, unit } = measureOf('mm', system);
  const length = (mm: number, digits: number): string => rounded(show(mm), system === 'metric' ? digits : 3);
  const { widthMm, heightMm, gaugeMm, rulingLpi, angle, distortionPercent, pins, note } = carrier;
  const screen = [
    ...(rulingLpi === undefined ? [] : [$localize`${rounded(rulingLpi)} lines an inch`]),
    ...(angle === undefined ? [] : [$localize`at ${rounded(angle)}°`]),
  ].join(' ');
  return [
    ...(widthMm === undefined || heightMm === undefined
      ? []
      : [
          `${length(widthMm, 1)} x ${length(heightMm, 2)} ${unit}${gaugeMm === undefined ? '' : $localize`, ${length(gaugeMm, 2)} thick`}`,
        ]),
    ...(screen === '' ? [] : [screen]),
    ...(distortionPercent === undefined ? [] : [$localize`shortened by ${rounded(distortionPercent, 2)} %`]),
    ...(pins === undefined ? [] : [pins]),
    ...(note === undefined ? [] : [note]),
  ].join('; ');
};

/** Where material goes, in words of the works. */
export const WAY_NAMES: Readonly<Record<BalanceWay, string>> = {
  product: $localize`With the product`,
  air: $localize`Dried away`,
  kept: $localize`Kept for a reorder`,
  mill: $localize`To the mill`,
  'coated apart': $localize`Coated paper, apart`,
  board: $localize`Board`,
  film: $localize`Film and what has film on it`,
  ink: $localize`Ink and washes`,
  aluminium: $localize`Aluminium, back to the maker`,
  'other metal': $localize`Other carriers`,
  witness: $localize`Destroyed under witness`,
};
