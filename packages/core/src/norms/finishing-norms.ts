import type { Source } from '../kernel/index.js';
import { type Norm, ABOVE_ZERO } from './norm.js';
import { HANDBOOK, UNSOURCED } from './shipped-norms.js';

const MEMORY: Source = { label: 'memory', note: 'recalled without the text at hand; enter your own' };

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
const cut = under('Guillotine');
const die = under('Creasing and die cutting');
const fold = under('Folding');
const glue = under('Gluing');
const string = under('String closure');
const film = under('Film and window');
const bind = under('Binding');
const sew = under('Sewing');
const cases = under('Case making');
const hand = under('Hand work, one person');
const pack = under('Packing');
const fromZero = (norm: Norm): Norm => ({ ...norm, min: 0 });

/** What the finishing stations reckon by. Source: handbook chapter 7 (practice) unless marked. */
export const FINISHING_NORMS: readonly Norm[] = [
  cut('cut.leastStrip', 'Least strip that the clamp holds', 'mm', 25, 200),
  fromZero(cut('cut.turnSeconds', 'Turn of the pile', 's', 6, 600, UNSOURCED)),
  cut('cut.bladeCuts', 'Cuts until the blade is changed', 'cuts', 4_000, 1_000_000, UNSOURCED),
  cut('cut.bladeMinutes', 'Change of the blade', 'min', 20, 600, UNSOURCED),
  die('die.ruleHeight', 'Height of cutting rule', 'mm', 23.8, 30),
  fromZero(die('die.creaseLess', 'Creasing rule set lower beside the caliper', 'mm', 0.05, 1)),
  die('die.ruleThickness', 'Thickness of creasing rule', 'mm', 0.71, 5, UNSOURCED),
  die('die.channelAcross', 'Channel, calipers across the grain', 'calipers', 1.5, 5),
  die('die.channelAlong', 'Channel, calipers along the grain', 'calipers', 1.3, 5),
  die('die.cutForce', 'Force of cutting rule', 'kN/m', 35, 200, MEMORY),
  die('die.creaseForce', 'Force of creasing rule', 'kN/m', 15, 100, MEMORY),
  die('die.stackHeight', 'Height of the stack that a high die cuts through', 'mm', 60, 200, UNSOURCED),
  die('die.nickEvery', 'Cutting rule between two nicks', 'mm', 150, 2_000, UNSOURCED),
  die('die.hammerBelow', 'Sheets below which stripping is done with the hammer', 'sheets', 3_000, 1_000_000, UNSOURCED),
  die('die.life', 'Impressions before rule is renewed', 'impressions', 750_000, 10_000_000),
  fold('fold.letterShort', 'Letter fold, inner panel shorter', 'mm', 1.5, 20),
  fold('fold.rollStep', 'Roll fold, each panel shorter than the one before', 'mm', 1, 20),
  fold('fold.gateShort', 'Gate fold, each flap short of the middle', 'mm', 1.5, 20),
  fold('fold.scoreOver', 'Score above this grammage', 'g/m2', 170, 1_000),
  fold('fold.scoreAcrossOver', 'Score above this grammage, fold across the grain', 'g/m2', 135, 1_000),
  fold('fold.section32Gsm', 'Heaviest paper of a section of 32 pages', 'g/m2', 90, 1_000),
  fold('fold.section16Gsm', 'Heaviest paper of a section of 16 pages', 'g/m2', 165, 1_000),
  { ...fold('fold.mostFolds', 'Most right-angle folds', 'folds', 5, 10), whole: true },
  fromZero(fold('fold.spring', 'Folded work lying free, thicker by', 'share', 0.15, 2, UNSOURCED)),
  fold('fold.scoreSolid', 'Score where ink covers more than', 'share', 0.7, 1, UNSOURCED),
  glue('glue.beadWidth', 'Width of a bead', 'mm', 4, 100, UNSOURCED),
  glue('glue.beadWet', 'Wet thickness of a bead', 'mm', 0.1, 10, UNSOURCED),
  glue('glue.filmWet', 'Wet thickness over an area', 'mm', 0.03, 5, UNSOURCED),
  glue('glue.solids', 'Solids of cold glue, gum and paste', 'share', 0.5, 1, UNSOURCED),
  glue('glue.density', 'Density of cold glue', 'g/cm3', 1.1, 5, UNSOURCED),
  glue('glue.dryHours', 'Under compression before it is handled', 'h', 1, 100, UNSOURCED),
  glue('gum.dryHours', 'Seal gum, flap open', 'h', 0.25, 100, UNSOURCED),
  glue('gum.width', 'Width of seal gum', 'mm', 12, 100, UNSOURCED),
  string('rivet.string', 'String of a closure', 'mm', 180, 2_000, UNSOURCED),
  string('rivet.edge', 'Button from the edge of the flap', 'mm', 14, 200, UNSOURCED),
  string('rivet.apart', 'From button to button, flap closed', 'mm', 32, 500, UNSOURCED),
  fromZero(film('film.overlap', 'Film between two sheets', 'mm', 8, 200, UNSOURCED)),
  film('film.gsm', 'Film with its adhesive', 'g/m2', 30, 300, UNSOURCED),
  film('film.caliper', 'Film with its adhesive, thickness', 'um', 12, 300, UNSOURCED),
  fromZero(film('film.hours', 'Dispersion-bonded film, before it is cut', 'h', 24, 200)),
  film('window.filmGsm', 'Film of a window', 'g/m2', 40, 300, UNSOURCED),
  fromZero(film('mount.hours', 'Laminated to board with dispersion glue, before it is cut', 'h', 24, 200)),
  film('window.glueMargin', 'Glue margin around a window', 'mm', 6, 50, UNSOURCED),
  film('raise.gsm', 'Powder of raised print on full coverage', 'g/m2', 25, 300, UNSOURCED),
  film('powder.gsm', 'Anti-set-off powder on full coverage', 'g/m2', 0.4, 20, UNSOURCED),
  film('foil.gsm', 'Foil with its carrier', 'g/m2', 20, 300, UNSOURCED),
  film('foil.step', 'Foil drawn beyond the die at a pull', 'mm', 3, 100, UNSOURCED),
  film('foil.side', 'Foil beyond the die at each side', 'mm', 5, 100, UNSOURCED),
  bind('bind.leastSpine', 'Thinnest spine of glued work', 'mm', 3, 50),
  bind('bind.coverCalipers', 'Calipers of the cover in its spine', 'calipers', 2, 4),
  bind('bind.hinge', 'Hinge score from the spine', 'mm', 6.5, 30),
  bind('bind.mill', 'Milled off the spine', 'mm', 2.5, 10),
  bind('bind.notchEvery', 'From notch to notch along the spine', 'mm', 16, 200, UNSOURCED),
  bind('bind.notchLength', 'Length of a notch', 'mm', 9, 100, UNSOURCED),
  bind('bind.meltThickness', 'Hot melt on the spine', 'mm', 0.5, 5),
  bind('bind.meltDensity', 'Density of hot melt', 'g/cm3', 0.95, 3),
  bind('bind.trim', 'Trim at head, foot and fore edge', 'mm', 3, 30),
  bind('bind.purHours', 'PUR until it may be handled hard', 'h', 15, 120),
  bind('bind.coolMinutes', 'Hot melt until it may be cut', 'min', 2, 120, UNSOURCED),
  bind('bind.stitchLegs', 'Wire beyond the thickness, both legs and crown', 'mm', 20, 100, UNSOURCED),
  sew('sew.swell', 'Block grows by the thread', 'share', 0.07, 1),
  sew('sew.stitch', 'Thread of a stitch', 'mm', 50, 500),
  sew('sew.needles', 'Needles', 'needles', 5, 40, UNSOURCED),
  cases('case.square', 'Square beyond the block', 'mm', 3, 30),
  cases('case.joint', 'Joint', 'mm', 7, 30),
  cases('case.turnIn', 'Turn-in', 'mm', 15, 60),
  fromZero(cases('case.jointCalipers', 'Board calipers added to the joint', 'calipers', 0, 3)),
  cases('line.overlap', 'Lining beyond the spine, each side', 'mm', 25, 100, UNSOURCED),
  cases('press.hours', 'Books under pressure', 'h', 8, 200, UNSOURCED),
  hand('hand.inspect', 'Looked over in an hour', 'pieces/h', 1_500, 1_000_000, UNSOURCED),
  hand('hand.count', 'Counted in an hour', 'pieces/h', 6_000, 1_000_000, UNSOURCED),
  hand('hand.hand', 'Worked by hand in an hour', 'pieces/h', 300, 1_000_000),
  hand('hand.kit', 'Kits matched in an hour', 'kits/h', 240, 1_000_000, UNSOURCED),
  hand('hand.pallet', 'Pallets built in an hour', 'pallets/h', 6, 10_000, UNSOURCED),
  pack('pack.handKg', 'Heaviest box lifted by hand', 'kg', 15, 100),
  pack('pack.board', 'Wall of a box', 'mm', 4, 30, UNSOURCED),
  pack('pack.ect', 'Edge crush of the board of boxes and cases', 'N/mm', 5, 50),
  pack('pack.bears', 'Share of its compression that a box bears in a stack', 'share', 0.3, 1, UNSOURCED),
  fromZero(pack('pack.overlap', 'Film beyond a shrink-wrapped pack, for its seams', 'share', 0.1, 2, UNSOURCED)),
  fromZero(pack('pallet.wraps', 'Turns of stretch film around a pallet', 'turns', 3, 50, UNSOURCED)),
  pack('pallet.length', 'Pallet, length', 'mm', 1_200, 2_000, { label: 'standard', note: 'EN 13698-1' }),
  pack('pallet.width', 'Pallet, width', 'mm', 800, 2_000, { label: 'standard', note: 'EN 13698-1' }),
  pack('pallet.height', 'Pallet, height with its load', 'mm', 1_500, 3_000, UNSOURCED),
  pack('pallet.ownHeight', 'Pallet, height of its own', 'mm', 144, 300, { label: 'memory', note: 'EN 13698-1' }),
  pack('pallet.kg', 'Heaviest load of a pallet', 'kg', 900, 5_000, UNSOURCED),
  fromZero(pack('corrugate.edgeTrim', 'Edge trim at the corrugator, each side', 'mm', 10, 200, UNSOURCED)),
  pack('rewind.core', 'Core of a consumer roll, outside diameter', 'mm', 38, 500, UNSOURCED),
  fromZero(pack('rewind.coreGm', 'Core of a consumer roll, mass of a metre of it', 'g/m', 0, 5_000, UNSOURCED)),
  pack('truck.length', 'Truck or container, metres of loading', 'm', 13.6, 30, {
    label: 'memory',
    note: 'a usual trailer; a container has less',
  }),
  pack('truck.kg', 'Truck or container, heaviest load', 'kg', 24_000, 60_000, UNSOURCED),
  pack('singles.batch', 'Single books that run together', 'books', 40, 10_000, UNSOURCED),
  pack('check.seconds', 'Final check of a book', 's', 11, 600),
];
