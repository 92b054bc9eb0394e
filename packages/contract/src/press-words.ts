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
  plate: 'Plate',
  'flexo-plate': 'Flexo plate',
  cylinder: 'Gravure cylinder',
  'recessed-plate': 'Recessed plate',
  counter: 'Counter',
  'form-plate': 'Form plate',
  stencil: 'Stencil',
  'letterpress-die': 'Letterpress die',
  'foil-die': 'Foil die',
  'embossing-die': 'Embossing die',
  'embossing-counter': 'Embossing counter',
  'embossing-roller': 'Embossing roller',
  'cutting-die': 'Cutting die',
  'numbering-box': 'Numbering box',
};

export const CARRIER_STATE_WORDS: Readonly<Record<CarrierState, string>> = {
  wanted: 'Wanted',
  made: 'Made',
  inspected: 'Inspected',
  'on-press': 'On press',
  held: 'Held',
  kept: 'Kept',
  recycled: 'Recycled',
  destroyed: 'Destroyed',
};

export const DRYING_WORDS: Readonly<Record<Drying, string>> = {
  oxidative: 'by oxidation',
  'fast-setting': 'fast setting',
  uv: 'under UV lamps',
  heatset: 'in the oven of the web',
  'water-based': 'its water goes',
  solvent: 'its solvent goes',
  toner: 'fused toner',
};
export const INK_KIND_WORDS: Readonly<Record<InkKind, string>> = {
  process: 'Process',
  mixed: 'Mixed colour',
  metallic: 'Metallic',
  ground: 'Ground',
  white: 'Opaque white',
  special: 'Special',
  varnish: 'Varnish',
  coating: 'Coating',
};

/** What a product may touch that asks for clearance. */
export const CONTACT_WORDS: Readonly<Record<Contact, string>> = {
  food: 'food',
  toy: 'toys',
  pharmacy: 'medicines',
};

export const INK_SCHOOL_WORDS: Readonly<Record<InkSchool, string>> = {
  'black-first': 'black first: K C M Y',
  'black-last': 'black last: C M Y K',
  'black-magenta': 'black, magenta: K M C Y',
};

/** Why an ink stands where it does. */
export const ORDER_RULE_WORDS: Readonly<Record<OrderRule, string>> = {
  'under-all': 'under the transparent inks',
  school: 'process, by the school',
  'free-unit': 'in the free unit',
  'over-all': 'over all inks',
  'drawing-last': 'closes the drawing',
  'by-hand': 'set by hand',
};

export const REGISTER_WORDS: Readonly<Record<RegisterKind, string>> = {
  colours: 'Colour to colour',
  sides: 'Front to back',
  fold: 'Print to fold',
  cut: 'Print to cut',
  perforation: 'Print to perforation',
  die: 'Print to die',
  foil: 'Print to foil',
  'cut-off': 'Print to cut-off',
  'paper-mark': 'Print to the mark in the paper',
};

export const REGISTER_ADVICE_WORDS: Readonly<Record<RegisterAdvice, string>> = {
  'in-tolerance': 'In tolerance; leave it.',
  'move-plate': 'Move the plate across and around as told.',
  'cock-plate': 'Cock the plate as told; look at the lays if the sheets differ among each other.',
  'look-at-lays': 'Sheets differ more than the mean is off: lays, grippers and feeder, not the plate.',
  stretch:
    'The sheet has stretched, and no move mends that: condition the paper, look at the grain, run less water, or compensate the next plates.',
  drift: 'It drifts over the run: measure again soon, look at water and temperature.',
};

export const COLOUR_ADVICE_WORDS: Readonly<Record<ColourAdvice, string>> = {
  'on-aim': 'On its aim; leave it.',
  'more-ink': 'Density is low: give more ink.',
  'less-ink': 'Density is high: give less ink.',
  'gain-high': 'Tone value increase is high: look at pressure, packing, water and blanket.',
  'gain-low': 'Tone value increase is low: look at pressure and at the plate.',
  'wrong-hue':
    'Density is right but the colour is not: another ink, other paper, or contamination; keys do not mend it.',
  'colour-drift': 'It drifts over the run: measure again soon, look at water and temperature.',
};

/** What a carrier is of: `K, front, Dutch, set 2, place 3`. */
export const carrierWords = ({ ink, name, side, version, set, position }: Carrier): string =>
  [
    ink ?? name,
    ...(side === undefined || ink === undefined ? [] : [side === 'both' ? 'both sides' : side]),
    ...(version === undefined ? [] : [version]),
    ...(set > 1 ? [`set ${set}`] : []),
    ...(position === undefined ? [] : [`place ${position}`]),
  ].join(', ');

const rounded = (value: number, digits = 1): string => numberText(value, digits);

/** How a carrier is made: `1,030 x 790 mm, 0.3 thick; 175 lines an inch at 15°`. */
export const makingWords = (carrier: Carrier, system: MeasureSystem = 'metric'): string => {
  const { show, unit } = measureOf('mm', system);
  const length = (mm: number, digits: number): string => rounded(show(mm), system === 'metric' ? digits : 3);
  const { widthMm, heightMm, gaugeMm, rulingLpi, angle, distortionPercent, pins, note } = carrier;
  const screen = [
    ...(rulingLpi === undefined ? [] : [`${rounded(rulingLpi)} lines an inch`]),
    ...(angle === undefined ? [] : [`at ${rounded(angle)}°`]),
  ].join(' ');
  return [
    ...(widthMm === undefined || heightMm === undefined
      ? []
      : [
          `${length(widthMm, 1)} x ${length(heightMm, 2)} ${unit}${gaugeMm === undefined ? '' : `, ${length(gaugeMm, 2)} thick`}`,
        ]),
    ...(screen === '' ? [] : [screen]),
    ...(distortionPercent === undefined ? [] : [`shortened by ${rounded(distortionPercent, 2)} %`]),
    ...(pins === undefined ? [] : [pins]),
    ...(note === undefined ? [] : [note]),
  ].join('; ');
};

/** Where material goes, in words of the works. */
export const WAY_NAMES: Readonly<Record<BalanceWay, string>> = {
  product: 'With the product',
  air: 'Dried away',
  kept: 'Kept for a reorder',
  mill: 'To the mill',
  'coated apart': 'Coated paper, apart',
  board: 'Board',
  film: 'Film and what has film on it',
  ink: 'Ink and washes',
  aluminium: 'Aluminium, back to the maker',
  'other metal': 'Other carriers',
  witness: 'Destroyed under witness',
};
