import { numberText, wordOf } from '../kernel/index.js';
import { boundsOf } from '../geometry/index.js';
import { type DieDrawing, measureDie } from '../diecut/index.js';
import { dieSide, strikingDie } from '../plan/index.js';
import { type Shape, measure, piecesOn } from './drawing.js';
import type { SheetBook } from './sheet.js';

const MM = 1000;
const LINE_ROLES = { cut: 'cut', crease: 'fold', perforation: 'fold' } as const;

/** The die station: rule, creases, force, nicks, stripping, scrap. Source: handbook chapter 7 "Creasing and die cutting". */
export function dieSheet(sheet: SheetBook): void {
  const { layout, machine } = sheet;
  const die = layout?.die;
  if (!layout || !die) return;
  const measures = measureDie(die);
  const caliper = sheet.give('caliperMm', $localize`Caliper`, (sheet.first?.caliperUm ?? layout.caliperUm) / MM, 'mm');
  const up = sheet.give('up', $localize`Blanks up`, layout.pattern.count, 'blanks');
  const rule = sheet.norm('die.ruleHeight');
  const cut = sheet.work('cutRule', $localize`Cutting rule of the die`, 'm', 'each * up', {
    each: sheet.give('cutRuleEach', $localize`Cutting rule of a blank`, measures.ruleMm.cut / MM, 'm'),
    up,
  });
  const crease = sheet.work('creaseRule', $localize`Creasing rule of the die`, 'm', 'each * up', {
    each: sheet.give('creaseRuleEach', $localize`Creasing rule of a blank`, measures.ruleMm.crease / MM, 'm'),
    up,
  });
  sheet.card(cut);
  sheet.card(crease);
  sheet.show('creaseHeight', $localize`Height of creasing rule`, 'mm', 'rule - caliper - less', {
    rule,
    caliper,
    less: sheet.norm('die.creaseLess'),
  });
  const thickness = sheet.norm('die.ruleThickness');
  for (const [name, title, factor] of [
    ['channelAcross', $localize`Channel, crease across the grain`, 'die.channelAcross'],
    ['channelAlong', $localize`Channel, crease along the grain`, 'die.channelAlong'],
  ] as const)
    sheet.show(name, title, 'mm', 'factor * caliper + thickness', { factor: sheet.norm(factor), caliper, thickness });
  sheet.show('channelDepth', $localize`Depth of the channel`, 'mm', 'caliper', { caliper });
  const force = sheet.show('force', $localize`Force`, 'kN', 'cut * perCut + crease * perCrease', {
    cut,
    crease,
    perCut: sheet.norm('die.cutForce'),
    perCrease: sheet.norm('die.creaseForce'),
  });
  const limit = machine?.takes?.forceKn;
  if (limit !== undefined && sheet.value(force) > limit)
    sheet.remark(
      $localize`The die needs more than the ${limit} kN of ${machine?.name}. Lay fewer blanks up, or take a heavier press.`,
    );
  sheet.show('nicks', $localize`Nicks of a blank`, 'nicks', 'ceil(rule * 1000 / every)', {
    rule: `station.${sheet.step.id}.cutRuleEach`,
    every: sheet.norm('die.nickEvery'),
  });
  const scrapMm2 = sheet.give(
    'scrapMm2',
    $localize`Scrap of a sheet`,
    layout.sheet.widthMm * layout.sheet.heightMm - layout.pattern.count * measures.areaMm2,
    'mm2',
  );
  sheet.show('scrapKg', $localize`Scrap, baled`, 'kg', 'scrap / 1000000 * gsm / 1000 * units', {
    scrap: scrapMm2,
    gsm: sheet.give('through', $localize`Grammage of all that is cut through`, sheet.first?.throughGsm ?? 0, 'g/m2'),
    units: sheet.units,
  });
  sheet.show('renewals', $localize`Rule renewed`, 'times', 'max(0, ceil(units / life) - 1)', {
    units: sheet.units,
    life: sheet.norm('die.life'),
  });
  const hammer = sheet.value(sheet.norm('die.hammerBelow'));
  const few = sheet.value(sheet.units) < hammer;
  sheet.remark(
    few
      ? $localize`Strip with the hammer: below ${numberText(hammer)} sheets tools do not pay.`
      : $localize`Strip in the machine: upper and lower tools, ejection rubber, blanking grid.`,
  );
  sheet.list({
    title: $localize`Make-ready`,
    heads: [$localize`Part`, $localize`For`],
    rows: [
      [$localize`Cutting die`, $localize`the sheet, gripper edge marked`],
      [$localize`Counter plate`, $localize`channels as above`],
      [$localize`Ejection rubber`, $localize`beside every cutting rule`],
      [$localize`Patch-up sheet`, $localize`levelling behind the die`],
      few
        ? [$localize`Hammer`, $localize`stripping by the pile`]
        : [$localize`Stripping tools`, $localize`upper, lower`],
    ],
  });
  drawBlank(sheet, die);
}

/** One blank with its rules and its glued areas. */
export function drawBlank(sheet: SheetBook, die: DieDrawing): void {
  const { left, bottom, right, top } = boundsOf(die.outline);
  const flip = ({ x, y }: { x: number; y: number }) => ({ x: x - left, y: top - y });
  const shapes: Shape[] = [
    { kind: 'path', role: 'piece', closed: true, points: die.outline.map(flip) },
    ...die.areas.map((area): Shape => ({ kind: 'path', role: 'glue', closed: true, points: area.outline.map(flip) })),
    ...die.lines.map((line): Shape => ({ kind: 'path', role: LINE_ROLES[line.kind], points: line.points.map(flip) })),
    measure({ x: 0, y: top - bottom }, { x: right - left, y: top - bottom }, right - left),
    measure({ x: right - left, y: 0 }, { x: right - left, y: top - bottom }, top - bottom),
  ];
  sheet.draw({ title: $localize`One blank, printed side up`, widthMm: right - left, heightMm: top - bottom, shapes });
}

/** Foil and embossing: length, strips, steps, registered to print. Source: handbook chapter 7 "Foil, emboss". */
export function foilSheet(sheet: SheetBook): void {
  const { layout, step } = sheet;
  const foils = step.operation === 'foil';
  const tool = strikingDie(sheet.job, step, foils ? 'foil-die' : 'embossing-die');
  const piece = layout?.piece ?? sheet.first;
  const size = (side: 'widthMm' | 'heightMm', name: string, title: string): string => {
    const mm = dieSide(tool, side, piece?.[side] ?? 0);
    if (tool?.[side] !== undefined) return sheet.told(name, title, mm, 'mm');
    return sheet.give(name, title, mm, 'mm', {
      label: 'practice',
      note: $localize`a third of the piece until the die is measured`,
    });
  };
  const pieces = layout?.pattern.pieces ?? [];
  sheet.card(sheet.give('up', $localize`Dies on the sheet`, Math.max(1, pieces.length), 'dies'));
  const height = sheet.card(
    size('heightMm', 'dieHeight', foils ? $localize`Die, along the foil` : $localize`Die, height`),
  );
  const width = sheet.card(
    size('widthMm', 'dieWidth', foils ? $localize`Die, across the foil` : $localize`Die, width`),
  );
  if (foils) {
    const rows = sheet.give(
      'rows',
      $localize`Rows along the foil`,
      Math.max(1, new Set(pieces.map(({ yMm }) => yMm)).size),
      'rows',
    );
    const strips = sheet.show('strips', $localize`Strips of foil`, 'strips', 'ceil(up / rows)', {
      up: `station.${step.id}.up`,
      rows,
    });
    const pull = sheet.show('foilStep', $localize`Foil drawn at a pull`, 'mm', 'rows * (die + beyond)', {
      rows,
      die: height,
      beyond: sheet.norm('foil.step'),
    });
    sheet.show('stripWidth', $localize`Width of a strip`, 'mm', 'die + 2 * side', {
      die: width,
      side: sheet.norm('foil.side'),
    });
    sheet.show('foilM', $localize`Length of foil`, 'm', 'units * step * strips / 1000', {
      units: sheet.units,
      step: pull,
      strips,
    });
    sheet.used('foil');
  } else {
    sheet.show('pairs', $localize`Pairs of die and counter`, 'pairs', 'up', { up: `station.${step.id}.up` });
    sheet.remark(
      $localize`${tool?.counter === false ? $localize`Blind, against a flat bed.` : $localize`Die and counter are a pair.`} Register the first sheet to the print, and look at the relief from behind.`,
    );
  }
  sheet.remark(
    $localize`Register to the same gripper and side lay as the print. Heat, dwell and pressure are noted with the first good sheet.`,
  );
  drawDies(sheet, sheet.value(width), sheet.value(height));
}

/** Where the dies strike: one in the middle of every piece. */
function drawDies(sheet: SheetBook, width: number, height: number): void {
  const { layout } = sheet;
  if (!layout) return;
  const { widthMm, heightMm } = layout.sheet;
  const pieces = piecesOn(layout).flatMap((box, i): Shape[] => {
    const [w, h] = layout.pattern.pieces[i]?.turned ? [height, width] : [width, height];
    const [x, y] = [box.x + (box.width - w) / 2, box.y + (box.height - h) / 2];
    return [
      { kind: 'box', role: 'piece', ...box },
      { kind: 'box', role: 'block', x, y, width: w, height: h },
    ];
  });
  sheet.draw({
    title: $localize`Dies on the sheet, each in the middle of its piece until the artwork places it; gripper edge below`,
    widthMm,
    heightMm,
    shapes: [{ kind: 'box', role: 'sheet', x: 0, y: 0, width: widthMm, height: heightMm }, ...pieces],
  });
}

/** Film over the sheet, by area. Source: handbook chapter 7 "Film, coating, window". */
export function filmSheet(sheet: SheetBook): void {
  const size = sheet.first;
  sheet.show('filmM', $localize`Length of film`, 'm', 'units * (length + overlap) / 1000', {
    units: sheet.units,
    length: sheet.give('sheetMm', $localize`Length of the sheet`, size?.heightMm ?? 0, 'mm'),
    overlap: sheet.norm('film.overlap'),
  });
  const area = sheet.used('film');
  if (area) sheet.show('filmKg', $localize`Film`, 'kg', 'area * gsm / 1000', { area, gsm: sheet.norm('film.gsm') });
  sheet.remark(
    $localize`Film: ${wordOf(sheet.job.finish?.film ?? 'gloss')}. Glue flaps and numbering areas stay clear where the drawing says so.`,
  );
}

/** Window film. Source: handbook chapter 7 (film piece = window + 2 x glue margin). */
export function windowSheet(sheet: SheetBook): void {
  const window = sheet.job.finish?.windowMm;
  if (!window) {
    sheet.remark($localize`No window is told: give its width and height in the job.`);
    return;
  }
  const margin = sheet.norm('window.glueMargin');
  const width = sheet.show('filmWidth', $localize`Film piece, width`, 'mm', 'window + 2 * margin', {
    window: sheet.told('windowWidth', $localize`Window, width`, window.widthMm, 'mm'),
    margin,
  });
  const height = sheet.show('filmHeight', $localize`Film piece, height`, 'mm', 'window + 2 * margin', {
    window: sheet.told('windowHeight', $localize`Window, height`, window.heightMm, 'mm'),
    margin,
  });
  sheet.show('filmM', $localize`Length of film`, 'm', 'units * height / 1000', { units: sheet.units, height });
  sheet.used('window-film');
  sheet.used('glue');
  sheet.show('punchedKg', $localize`Punched out, waste`, 'kg', 'units * width * height / 1000000 * gsm / 1000', {
    units: sheet.units,
    width: `station.${sheet.step.id}.windowWidth`,
    height: `station.${sheet.step.id}.windowHeight`,
    gsm: sheet.give(
      'through',
      $localize`Grammage of all that is punched through`,
      sheet.first?.throughGsm ?? 0,
      'g/m2',
    ),
  });
  const m = sheet.value(margin);
  const [w, h] = [sheet.value(width), sheet.value(height)];
  sheet.draw({
    title: $localize`Window with its film`,
    widthMm: w,
    heightMm: h,
    shapes: [
      { kind: 'box', role: 'glue', x: 0, y: 0, width: w, height: h },
      { kind: 'box', role: 'window', x: m, y: m, width: window.widthMm, height: window.heightMm },
      measure({ x: 0, y: h }, { x: w, y: h }, w),
      measure({ x: w, y: 0 }, { x: w, y: h }, h),
    ],
  });
}
