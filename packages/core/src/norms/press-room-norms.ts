import type { Source } from '../kernel/index.js';
import type { Stock } from '../works/index.js';
import { type Norm, ABOVE_ZERO } from './norm.js';
import { HANDBOOK, MOST_UNITS, UNSOURCED } from './shipped-norms.js';

const pressRoom = (
  id: string,
  name: string,
  unit: string,
  value: number,
  max: number,
  source: Source = HANDBOOK,
): Norm => ({
  id,
  group: 'press room',
  subject: $localize`Press room`,
  name,
  unit,
  value,
  min: ABOVE_ZERO,
  max,
  source,
});

/** Norms of plate room, ink room and press, with their sources. */
export const PRESS_ROOM_NORMS: readonly Norm[] = [
  pressRoom('ink.film.coated', $localize`Ink film at full coverage, coated`, 'g/m2', 1.15, 50),
  pressRoom('ink.film.uncoated', $localize`Ink film at full coverage, uncoated`, 'g/m2', 1.75, 50),
  pressRoom('ink.film.flexo', $localize`Ink film at full coverage, flexo, dry`, 'g/m2', 2.25, 50),
  pressRoom('ink.film.gravure', $localize`Ink film at full coverage, gravure, dry`, 'g/m2', 3, 50),
  pressRoom('ink.film.screen', $localize`Ink film at full coverage, screen`, 'g/m2', 27, 100),
  pressRoom('ink.film.recessed', $localize`Ink film at full coverage, recessed plate`, 'g/m2', 15, 100, UNSOURCED),
  pressRoom('ink.film.letterpress', $localize`Ink film at full coverage, letterpress`, 'g/m2', 2, 50, UNSOURCED),
  pressRoom('ink.film.varnish', $localize`Varnish film at full coverage`, 'g/m2', 4, 50),
  pressRoom('ink.film.coating', $localize`Water-based coating at full coverage, wet`, 'g/m2', 4, 50),
  pressRoom('ink.solids.flexo', $localize`Solids of flexo ink`, 'share', 0.4, 1),
  pressRoom('ink.solids.gravure', $localize`Solids of gravure ink`, 'share', 0.27, 1),
  pressRoom('ink.solids.coating', $localize`Solids of water-based coating`, 'share', 0.4, 1, UNSOURCED),
  { ...pressRoom('ink.fill', $localize`Fill of a unit: duct and rollers`, 'kg', 0.5, 100, UNSOURCED), min: 0 },
  { ...pressRoom('ink.washLoss', $localize`Lost at a wash-up`, 'kg', 0.2, 100, UNSOURCED), min: 0 },
  pressRoom('ink.pail', $localize`Weight of a pail`, 'kg', 2.5, 1_000, UNSOURCED),
  pressRoom(
    'ink.trialTolerance',
    $localize`Largest difference of an accepted trial, CIEDE2000`,
    'ΔE',
    2,
    50,
    UNSOURCED,
  ),
  pressRoom('ink.totalLimit', $localize`Total coverage above which area is shown`, 'share', 3, 4, UNSOURCED),
  { ...pressRoom('press.washUp', $localize`Wash-up of a unit`, 'h', 0.2, 10, UNSOURCED), min: 0 },
  pressRoom('press.turnCaliper', $localize`Thickest board that a press turns over`, 'um', 400, 2_000, UNSOURCED),
  pressRoom('carrier.plate.minutes', $localize`Imaging of an offset plate`, 'min', 4, 600),
  pressRoom('carrier.plate.calibration', $localize`Calibration plates in an imaging batch`, 'plates', 1, 10),
  {
    ...pressRoom('carrier.testPlate', $localize`Test plate of the imager before the others`, '', 0, 1, UNSOURCED),
    min: 0,
    whole: true,
    choices: ['none', 'wanted'],
  },
  pressRoom('carrier.flexo-plate.minutes', $localize`Making of a flexo plate`, 'min', 90, 6_000, UNSOURCED),
  pressRoom('carrier.cylinder.base', $localize`Cylinder: making ready of the base`, 'h', 2, 1_000, UNSOURCED),
  pressRoom('carrier.cylinder.copper', $localize`Cylinder: copper bath`, 'h', 10, 1_000, UNSOURCED),
  pressRoom('carrier.cylinder.grind', $localize`Cylinder: grinding`, 'h', 2, 1_000, UNSOURCED),
  pressRoom('carrier.cylinder.laser', $localize`Cylinder: engraving by laser on zinc`, 'h', 1.5, 1_000, UNSOURCED),
  pressRoom('carrier.cylinder.etch', $localize`Cylinder: resist, exposing and etching`, 'h', 6, 1_000, UNSOURCED),
  pressRoom('carrier.cylinder.inspect', $localize`Cylinder: inspection`, 'h', 1, 1_000, UNSOURCED),
  pressRoom('carrier.cylinder.chrome', $localize`Cylinder: chrome bath`, 'h', 4, 1_000, UNSOURCED),
  pressRoom('carrier.cylinder.polish', $localize`Cylinder: polishing`, 'h', 2, 1_000, UNSOURCED),
  pressRoom('carrier.cylinder.proof', $localize`Cylinder: proof on the substrate of the job`, 'h', 3, 1_000, UNSOURCED),
  pressRoom('carrier.cylinder.lines', $localize`Gravure screen`, 'lines/cm', 60, 400),
  pressRoom('carrier.cylinder.cells', $localize`Cells that one stylus engraves`, '1/s', 8_000, 100_000),
  pressRoom('carrier.cylinder.heads', $localize`Stylus heads at work together`, 'heads', 1, 40, UNSOURCED),
  pressRoom(
    'carrier.cylinder.life',
    $localize`Impressions of a gravure cylinder`,
    'impressions',
    3_000_000,
    100_000_000,
    UNSOURCED,
  ),
  pressRoom(
    'carrier.flexo-plate.life',
    $localize`Impressions of a flexo plate`,
    'impressions',
    1_000_000,
    100_000_000,
    UNSOURCED,
  ),
  pressRoom(
    'carrier.recessed-plate.minutes',
    $localize`Film, expose, etch and correct a recessed plate`,
    'min',
    240,
    6_000,
    UNSOURCED,
  ),
  pressRoom(
    'carrier.recessed-plate.life',
    $localize`Impressions of a recessed plate`,
    'impressions',
    50_000,
    100_000_000,
    UNSOURCED,
  ),
  pressRoom('carrier.form-plate.minutes', $localize`Making and locking up of a page plate`, 'min', 10, 600, UNSOURCED),
  pressRoom(
    'carrier.form-plate.life',
    $localize`Impressions of a page plate`,
    'impressions',
    300_000,
    100_000_000,
    UNSOURCED,
  ),
  pressRoom('carrier.stencil.minutes', $localize`Making of a stencil`, 'min', 60, 6_000, UNSOURCED),
  pressRoom('carrier.stencil.life', $localize`Impressions of a stencil`, 'impressions', 20_000, 100_000_000, UNSOURCED),
  pressRoom('carrier.die.hours', $localize`Making of a die`, 'h', 8, 1_000, UNSOURCED),
  pressRoom('carrier.die.life', $localize`Impressions of a die`, 'impressions', 1_000_000, 100_000_000, UNSOURCED),
  pressRoom('register.offset', $localize`Colour to colour, sheet-fed`, 'mm', 0.1, 5),
  pressRoom('register.accountable', $localize`Colour to colour, fine or accountable work`, 'mm', 0.05, 5),
  pressRoom('register.web', $localize`Colour to colour, heatset web`, 'mm', 0.125, 5),
  pressRoom('register.flexo', $localize`Colour to colour, flexo`, 'mm', 0.3, 5),
  pressRoom('register.gravure', $localize`Colour to colour, gravure`, 'mm', 0.15, 5, UNSOURCED),
  pressRoom('register.recessed', $localize`Colour to colour, recessed plate`, 'mm', 0.2, 5, UNSOURCED),
  pressRoom('register.letterpress', $localize`Colour to colour, letterpress`, 'mm', 0.15, 5, UNSOURCED),
  pressRoom('register.screen', $localize`Colour to colour, screen`, 'mm', 0.2, 5, UNSOURCED),
  pressRoom('register.digital', $localize`Colour to colour, digital`, 'mm', 0.1, 5, UNSOURCED),
  pressRoom('register.sides', $localize`Front to back`, 'mm', 0.4, 10),
  pressRoom('register.fold', $localize`Print to fold`, 'mm', 1, 10),
  pressRoom('register.cut', $localize`Print to cut`, 'mm', 0.4, 10),
  pressRoom('register.perforation', $localize`Print to perforation`, 'mm', 0.4, 10),
  pressRoom('register.die', $localize`Print to die`, 'mm', 0.4, 10),
  pressRoom('register.foil', $localize`Print to foil`, 'mm', 0.4, 10),
  pressRoom('register.cutOff', $localize`Print to cut-off of a web`, 'mm', 0.5, 10, UNSOURCED),
  pressRoom('register.paperMark', $localize`Print to a mark in the paper`, 'mm', 1, 20, UNSOURCED),
  pressRoom('register.leastTrap', $localize`Least trap, offset`, 'mm', 0.08, 5),
  pressRoom('register.leastTrapFlexo', $localize`Least trap, flexo`, 'mm', 0.25, 5),
  pressRoom('ink.coverage', $localize`Coverage where none is given`, 'share', 0.2, 1, UNSOURCED),
  pressRoom('plate.life', $localize`Impressions of a plate`, 'impressions', 200_000, 10_000_000),
  pressRoom('layout.bleed', $localize`Bleed or trim all round`, 'mm', 3, 50),
  pressRoom('layout.strippingGap', $localize`Stripping gap between blanks`, 'mm', 4, 50),
  pressRoom('sheeter.edgeTrim', $localize`Edge trim of a roll at the sheeter, each side`, 'mm', 5, 100, UNSOURCED),
  pressRoom('bind.saddleLimit', $localize`Thickest saddle-stitched copy`, 'mm', 4, 30),
  { ...pressRoom('outside.hours', $localize`Outside work, away from the house`, 'h', 72, 2_000, UNSOURCED), min: 0 },
  { ...pressRoom('paper.kelvin', $localize`Paper store colder than the press room`, 'K', 5, 40, UNSOURCED), min: 0 },
  pressRoom('pile.height', $localize`Pile height`, 'mm', 1_000, 3_000, UNSOURCED),
  pressRoom('sample.interval', $localize`Sheets between two samples`, 'sheets', 500, MOST_UNITS, UNSOURCED),
];

/** Rolls and packs of each stock, and what of a roll is not printed. Source: practice; handbook chapter 6 for the waste. */
const paper = (subject: string, id: string, name: string, unit: string, value: number, max: number): Norm => ({
  ...pressRoom(id, name, unit, value, max, UNSOURCED),
  group: 'paper',
  subject,
});

/** Norms of rolls and splices. */
export const ROLL_NORMS: readonly Norm[] = [
  paper($localize`Rolls`, 'roll.outer', $localize`Full roll at the sheeter, outer diameter`, 'mm', 1_000, 2_000),
  paper($localize`Rolls`, 'roll.core', $localize`Core at the sheeter, outside diameter`, 'mm', 76, 500),
  paper($localize`Rests`, 'rest.leastMm', $localize`Narrowest strip worth keeping`, 'mm', 200, 2_000),
  paper($localize`Rests`, 'rest.leastM', $localize`Shortest rest of a roll worth keeping`, 'm', 500, 20_000),
  { ...paper($localize`Rolls`, 'roll.wraps', $localize`Outer wraps taken off, in diameter`, 'mm', 4, 100), min: 0 },
  {
    ...paper($localize`Rolls`, 'roll.coreWaste', $localize`Paper left on the core, in diameter`, 'mm', 10, 100),
    min: 0,
  },
];

/** Sheets in a pack by weight: 500, 250 or 100. */
const PACKS = [
  [125, 500],
  [225, 250],
  [Infinity, 100],
] as const;

/** Grammage and bulk of a stock as the works measures it. */
export const stockNorms = ({ id, name, gsm, bulk }: Stock): Norm[] => [
  { ...paper(name, `stock.${id}.gsm`, $localize`Grammage`, 'g/m2', gsm, 20_000), source: STOCK },
  { ...paper(name, `stock.${id}.bulk`, $localize`Bulk`, 'cm3/g', bulk, 50), source: STOCK },
];
const STOCK: Source = { label: 'practice', note: $localize`stock of the works` };

/** The norm of a stock's pack, sheets. */
export const packNorm = ({ id, name, gsm }: Stock): Norm => ({
  ...paper(
    name,
    `stock.${id}.pack`,
    $localize`Sheets in a pack`,
    'sheets',
    PACKS.find(([to]) => gsm <= to)?.[1] ?? 100,
    100_000,
  ),
  min: 1,
  whole: true,
});

/** Norms of the sureness school. Source: practice, handbook chapter 6; the house's p is ours. */
const sureness = (id: string, name: string, unit: string, value: number, max: number): Norm => ({
  ...pressRoom(id, name, unit, value, max),
  group: 'spoilage',
  subject: $localize`Sureness`,
});

/** Norms of the school that draws. */
export const SURENESS_NORMS: readonly Norm[] = [
  { ...sureness('sure.p', $localize`Sureness that the house plans for`, 'share', 0.9, 0.9999), source: UNSOURCED },
  sureness('sure.best', $localize`Best set-up, of the usual one`, 'share', 0.7, 1),
  { ...sureness('sure.worst', $localize`Worst set-up, of the usual one`, 'share', 1.8, 20), min: 1 },
  sureness('sure.kappa', $localize`How alike runs are (kappa of their running spoilage)`, 'number', 400, 1_000_000),
  {
    ...sureness('sure.draws', $localize`Runs drawn for a plan`, 'runs', 4_000, 100_000),
    whole: true,
    source: UNSOURCED,
  },
  { ...sureness('sure.seed', $localize`Seed of the runs`, 'number', 7, 1_000_000), whole: true, source: UNSOURCED },
];

const learning = (id: string, name: string, unit: string, value: number, max: number, source = UNSOURCED): Norm => ({
  ...pressRoom(id, name, unit, value, max, source),
  group: 'spoilage',
  subject: $localize`Learning`,
});

/** What a norm counts for beside the log. Source: handbook chapter 9 "Learning the norms", its example; the rest is ours. */
export const LEARNING_NORMS: readonly Norm[] = [
  learning(
    'learn.units',
    $localize`Running spoilage: what the norm counts for`,
    'process units',
    20_000,
    100_000_000,
    HANDBOOK,
  ),
  learning(
    'learn.unitsCap',
    $localize`Running spoilage: the most that one run counts for`,
    'process units',
    5_000,
    100_000_000,
    HANDBOOK,
  ),
  learning('learn.setUps', $localize`Set-up: what the norm counts for`, 'set-ups', 10, 10_000),
  learning('learn.hours', $localize`Efficiency: what the norm counts for`, 'h', 40, 100_000),
  learning('learn.hoursCap', $localize`Efficiency: the most that one run counts for`, 'h', 8, 100_000),
  { ...learning('learn.least', $localize`Least change that is proposed, of the norm`, 'share', 0.02, 10), min: 0 },
];
