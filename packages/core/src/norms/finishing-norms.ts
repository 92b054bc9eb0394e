import type { Source } from '../kernel/index.js';
import { type Norm, ABOVE_ZERO } from './norm.js';
import { HANDBOOK, UNSOURCED } from './shipped-norms.js';

const MEMORY: Source = { label: 'memory', note: $localize`recalled without the text at hand; enter your own` };

const under =
  (subject: string) =>
  (id: string, name: string, unit: string, value: number, max: number, source: Source = HANDBOOK): Norm => ({
    id,
    group: 'finishing',
    subject,
    name,
    unit,
    value,
    min: ABOVE_ZERO,
    max,
    source,
  });
const cut = under($localize`Guillotine`);
const die = under($localize`Creasing and die cutting`);
const fold = under($localize`Folding`);
const glue = under($localize`Gluing`);
const string = under($localize`String closure`);
const film = under($localize`Film and window`);
const bind = under($localize`Binding`);
const sew = under($localize`Sewing`);
const cases = under($localize`Case making`);
const hand = under($localize`Hand work, one person`);
const pack = under($localize`Packing`);
const fromZero = (norm: Norm): Norm => ({ ...norm, min: 0 });

/** What the finishing stations reckon by. Source: handbook chapter 7 (practice) unless marked. */
export const FINISHING_NORMS: readonly Norm[] = [
  cut('cut.leastStrip', $localize`Least strip that the clamp holds`, 'mm', 25, 200),
  fromZero(cut('cut.turnSeconds', $localize`Turn of the pile`, 's', 6, 600, UNSOURCED)),
  cut('cut.bladeCuts', $localize`Cuts until the blade is changed`, 'cuts', 4_000, 1_000_000, UNSOURCED),
  cut('cut.bladeMinutes', $localize`Change of the blade`, 'min', 20, 600, UNSOURCED),
  die('die.ruleHeight', $localize`Height of cutting rule`, 'mm', 23.8, 30),
  fromZero(die('die.creaseLess', $localize`Creasing rule set lower beside the caliper`, 'mm', 0.05, 1)),
  die('die.ruleThickness', $localize`Thickness of creasing rule`, 'mm', 0.71, 5, UNSOURCED),
  die('die.channelAcross', $localize`Channel, calipers across the grain`, 'calipers', 1.5, 5),
  die('die.channelAlong', $localize`Channel, calipers along the grain`, 'calipers', 1.3, 5),
  die('die.cutForce', $localize`Force of cutting rule`, 'kN/m', 35, 200, MEMORY),
  die('die.creaseForce', $localize`Force of creasing rule`, 'kN/m', 15, 100, MEMORY),
  die('die.stackHeight', $localize`Height of the stack that a high die cuts through`, 'mm', 60, 200, UNSOURCED),
  die('die.nickEvery', $localize`Cutting rule between two nicks`, 'mm', 150, 2_000, UNSOURCED),
  die(
    'die.hammerBelow',
    $localize`Sheets below which stripping is done with the hammer`,
    'sheets',
    3_000,
    1_000_000,
    UNSOURCED,
  ),
  die('die.life', $localize`Impressions before rule is renewed`, 'impressions', 750_000, 10_000_000),
  fold('fold.letterShort', $localize`Letter fold, inner panel shorter`, 'mm', 1.5, 20),
  fold('fold.rollStep', $localize`Roll fold, each panel shorter than the one before`, 'mm', 1, 20),
  fold('fold.gateShort', $localize`Gate fold, each flap short of the middle`, 'mm', 1.5, 20),
  fold('fold.scoreOver', $localize`Score above this grammage`, 'g/m2', 170, 1_000),
  fold('fold.scoreAcrossOver', $localize`Score above this grammage, fold across the grain`, 'g/m2', 135, 1_000),
  fold('fold.section32Gsm', $localize`Heaviest paper of a section of 32 pages`, 'g/m2', 90, 1_000),
  fold('fold.section16Gsm', $localize`Heaviest paper of a section of 16 pages`, 'g/m2', 165, 1_000),
  { ...fold('fold.mostFolds', $localize`Most right-angle folds`, 'folds', 5, 10), whole: true },
  fromZero(fold('fold.spring', $localize`Folded work lying free, thicker by`, 'share', 0.15, 2, UNSOURCED)),
  fold('fold.scoreSolid', $localize`Score where ink covers more than`, 'share', 0.7, 1, UNSOURCED),
  glue('glue.beadWidth', $localize`Width of a bead`, 'mm', 4, 100, UNSOURCED),
  glue('glue.beadWet', $localize`Wet thickness of a bead`, 'mm', 0.1, 10, UNSOURCED),
  glue('glue.filmWet', $localize`Wet thickness over an area`, 'mm', 0.03, 5, UNSOURCED),
  glue('glue.solids', $localize`Solids of cold glue, gum and paste`, 'share', 0.5, 1, UNSOURCED),
  glue('glue.density', $localize`Density of cold glue`, 'g/cm3', 1.1, 5, UNSOURCED),
  glue('glue.dryHours', $localize`Under compression before it is handled`, 'h', 1, 100, UNSOURCED),
  glue('gum.dryHours', $localize`Seal gum, flap open`, 'h', 0.25, 100, UNSOURCED),
  glue('gum.width', $localize`Width of seal gum`, 'mm', 12, 100, UNSOURCED),
  string('rivet.string', $localize`String of a closure`, 'mm', 180, 2_000, UNSOURCED),
  string('rivet.edge', $localize`Button from the edge of the flap`, 'mm', 14, 200, UNSOURCED),
  string('rivet.apart', $localize`From button to button, flap closed`, 'mm', 32, 500, UNSOURCED),
  fromZero(film('film.overlap', $localize`Film between two sheets`, 'mm', 8, 200, UNSOURCED)),
  film('film.gsm', $localize`Film with its adhesive`, 'g/m2', 30, 300, UNSOURCED),
  film('film.caliper', $localize`Film with its adhesive, thickness`, 'um', 12, 300, UNSOURCED),
  fromZero(film('film.hours', $localize`Dispersion-bonded film, before it is cut`, 'h', 24, 200)),
  film('window.filmGsm', $localize`Film of a window`, 'g/m2', 40, 300, UNSOURCED),
  fromZero(film('mount.hours', $localize`Laminated to board with dispersion glue, before it is cut`, 'h', 24, 200)),
  film('window.glueMargin', $localize`Glue margin around a window`, 'mm', 6, 50, UNSOURCED),
  film('raise.gsm', $localize`Powder of raised print on full coverage`, 'g/m2', 25, 300, UNSOURCED),
  film('powder.gsm', $localize`Anti-set-off powder on full coverage`, 'g/m2', 0.4, 20, UNSOURCED),
  film('foil.gsm', $localize`Foil with its carrier`, 'g/m2', 20, 300, UNSOURCED),
  film('foil.step', $localize`Foil drawn beyond the die at a pull`, 'mm', 3, 100, UNSOURCED),
  film('foil.side', $localize`Foil beyond the die at each side`, 'mm', 5, 100, UNSOURCED),
  bind('bind.leastSpine', $localize`Thinnest spine of glued work`, 'mm', 3, 50),
  bind('bind.coverCalipers', $localize`Calipers of the cover in its spine`, 'calipers', 2, 4),
  bind('bind.hinge', $localize`Hinge score from the spine`, 'mm', 6.5, 30),
  bind('bind.mill', $localize`Milled off the spine`, 'mm', 2.5, 10),
  bind('bind.notchEvery', $localize`From notch to notch along the spine`, 'mm', 16, 200, UNSOURCED),
  bind('bind.notchLength', $localize`Length of a notch`, 'mm', 9, 100, UNSOURCED),
  bind('bind.meltThickness', $localize`Hot melt on the spine`, 'mm', 0.5, 5),
  bind('bind.meltDensity', $localize`Density of hot melt`, 'g/cm3', 0.95, 3),
  bind('bind.trim', $localize`Trim at head, foot and fore edge`, 'mm', 3, 30),
  bind('bind.purHours', $localize`PUR until it may be handled hard`, 'h', 15, 120),
  bind('bind.coolMinutes', $localize`Hot melt until it may be cut`, 'min', 2, 120, UNSOURCED),
  bind('bind.stitchLegs', $localize`Wire beyond the thickness, both legs and crown`, 'mm', 20, 100, UNSOURCED),
  sew('sew.swell', $localize`Block grows by the thread`, 'share', 0.07, 1),
  sew('sew.stitch', $localize`Thread of a stitch`, 'mm', 50, 500),
  sew('sew.needles', $localize`Needles`, 'needles', 5, 40, UNSOURCED),
  cases('case.square', $localize`Square beyond the block`, 'mm', 3, 30),
  cases('case.joint', $localize`Joint`, 'mm', 7, 30),
  cases('case.turnIn', $localize`Turn-in`, 'mm', 15, 60),
  fromZero(cases('case.jointCalipers', $localize`Board calipers added to the joint`, 'calipers', 0, 3)),
  cases('line.overlap', $localize`Lining beyond the spine, each side`, 'mm', 25, 100, UNSOURCED),
  cases('press.hours', $localize`Books under pressure`, 'h', 8, 200, UNSOURCED),
  hand('hand.inspect', $localize`Looked over in an hour`, 'pieces/h', 1_500, 1_000_000, UNSOURCED),
  hand('hand.count', $localize`Counted in an hour`, 'pieces/h', 6_000, 1_000_000, UNSOURCED),
  hand('hand.hand', $localize`Worked by hand in an hour`, 'pieces/h', 300, 1_000_000),
  hand('hand.kit', $localize`Kits matched in an hour`, 'kits/h', 240, 1_000_000, UNSOURCED),
  hand('hand.pallet', $localize`Pallets built in an hour`, 'pallets/h', 6, 10_000, UNSOURCED),
  pack('pack.handKg', $localize`Heaviest box lifted by hand`, 'kg', 15, 100),
  pack('pack.board', $localize`Wall of a box`, 'mm', 4, 30, UNSOURCED),
  pack('pack.ect', $localize`Edge crush of the board of boxes and cases`, 'N/mm', 5, 50),
  pack('pack.bears', $localize`Share of its compression that a box bears in a stack`, 'share', 0.3, 1, UNSOURCED),
  fromZero(
    pack('pack.overlap', $localize`Film beyond a shrink-wrapped pack, for its seams`, 'share', 0.1, 2, UNSOURCED),
  ),
  fromZero(pack('pallet.wraps', $localize`Turns of stretch film around a pallet`, 'turns', 3, 50, UNSOURCED)),
  pack('pallet.length', $localize`Pallet, length`, 'mm', 1_200, 2_000, { label: 'standard', note: 'EN 13698-1' }),
  pack('pallet.width', $localize`Pallet, width`, 'mm', 800, 2_000, { label: 'standard', note: 'EN 13698-1' }),
  pack('pallet.height', $localize`Pallet, height with its load`, 'mm', 1_500, 3_000, UNSOURCED),
  pack('pallet.ownHeight', $localize`Pallet, height of its own`, 'mm', 144, 300, {
    label: 'memory',
    note: 'EN 13698-1',
  }),
  pack('pallet.kg', $localize`Heaviest load of a pallet`, 'kg', 900, 5_000, UNSOURCED),
  fromZero(pack('corrugate.edgeTrim', $localize`Edge trim at the corrugator, each side`, 'mm', 10, 200, UNSOURCED)),
  pack('rewind.core', $localize`Core of a consumer roll, outside diameter`, 'mm', 38, 500, UNSOURCED),
  fromZero(
    pack('rewind.coreGm', $localize`Core of a consumer roll, mass of a metre of it`, 'g/m', 0, 5_000, UNSOURCED),
  ),
  pack('truck.length', $localize`Truck or container, metres of loading`, 'm', 13.6, 30, {
    label: 'memory',
    note: $localize`a usual trailer; a container has less`,
  }),
  pack('truck.kg', $localize`Truck or container, heaviest load`, 'kg', 24_000, 60_000, UNSOURCED),
  pack('singles.batch', $localize`Single books that run together`, 'books', 40, 10_000, UNSOURCED),
  pack('check.seconds', $localize`Final check of a book`, 's', 11, 600),
];
