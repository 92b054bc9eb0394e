import type { CarrierKind } from './process.js';

const ETCHING = $localize`Etching and plating (ferric chloride, chromium): licensed operators, ventilation, goggles and apron, waste handling by permit; chromium(VI) is carcinogenic.`;
const DEVELOPING = $localize`Developers and washes: ventilation, gloves, no ignition; safety data sheet at hand.`;
const EDGES = $localize`Plate edges cut: gloves for handling, not at rotating parts.`;
const LAMPS = $localize`Exposure lamps: shields in place; skin and eyes.`;
const HOIST = $localize`Lift with help or a hoist; never stand under a lifted load.`;
const HEATED = $localize`Crush zone and heated plates: gloves for heat, cool-down before handling; lift dies with help or a hoist.`;

/** Usual cautions where a carrier is made, handled and mounted. Source: handbook chapter 10. */
export const CARRIER_CAUTIONS: Readonly<Record<CarrierKind, readonly string[]>> = {
  plate: [DEVELOPING, EDGES],
  'flexo-plate': [DEVELOPING, LAMPS],
  cylinder: [ETCHING, HOIST],
  'recessed-plate': [ETCHING, EDGES],
  counter: [HOIST],
  'form-plate': [ETCHING, EDGES],
  stencil: [DEVELOPING, LAMPS],
  'letterpress-die': [ETCHING, HOIST],
  'foil-die': [HEATED],
  'embossing-die': [HEATED],
  'embossing-counter': [HEATED],
  'embossing-roller': [HOIST],
  'cutting-die': [$localize`Rule dies are sharp: gloves for handling, not at rotating parts.`, HOIST],
  'numbering-box': [$localize`Numbering boxes: stop and lock out the press before a hand goes to the wheels.`],
};

/** Usual cautions in the ink room. Source: handbook chapter 10. */
export const INK_CAUTIONS: readonly string[] = [
  $localize`Inks, solvents and washes: ventilation, gloves, no ignition, closed rag bins; safety data sheet at hand.`,
  $localize`Uncured UV ink is a sensitiser: skin and eyes.`,
];
