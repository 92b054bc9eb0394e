import { type Issue, error } from '../kernel/index.js';
import { fieldsIssues } from './check-fields.js';
import { MACHINE_FIELDS, PRINTING, fieldAt, hasGroup } from './machine-fields.js';
import { type Machine, type PressLimits, printingOf } from './works.js';

const SIDES = ['width', 'height'] as const;

/** Two ends of a range: what is most is no less than what is least. */
function rangeIssues(of: unknown, at: string, pairs: readonly (readonly [string, string, string])[]): Issue[] {
  return pairs.flatMap(([least, most, what]) => {
    const [low, high] = [fieldAt(of, `${at}.${least}`), fieldAt(of, `${at}.${most}`)];
    return typeof low === 'number' && typeof high === 'number' && low > high
      ? [error('works.most-below-least', `${at}.${most}`, { what, least: low, most: high })]
      : [];
  });
}

/** A piece may be turned: the longer side is held to the longer one. */
function pieceIssues({ takes }: Machine): Issue[] {
  if (!takes) return [];
  const sorted = (of: readonly [number, number]): readonly number[] => [...of].sort((a, b) => b - a);
  const [most, least] = [sorted(takes.maxMm), sorted(takes.minMm)];
  return [$localize`longer side`, $localize`shorter side`].flatMap((what, i) =>
    (least[i] ?? 0) > (most[i] ?? 0)
      ? [error('works.most-below-least', 'takes.maxMm', { what, least: least[i] ?? 0, most: most[i] ?? 0 })]
      : [],
  );
}

/** Margins leave something to print on the smallest sheet, along and across. */
function marginIssues(press: PressLimits): Issue[] {
  const { gripperMm, tailMm, sideMm, turnsSheet, minSheetMm } = press;
  const along = gripperMm + (turnsSheet ? Math.max(gripperMm, tailMm) : tailMm);
  return [
    { path: 'press.gripperMm', what: $localize`Gripper and tail margins`, margins: along, sheet: minSheetMm[1] },
    { path: 'press.sideMm', what: $localize`Both side margins`, margins: 2 * sideMm, sheet: minSheetMm[0] },
  ].flatMap(({ path, what, margins, sheet }) =>
    margins >= sheet ? [error('works.margins-too-wide', path, { what, margins, sheet })] : [],
  );
}

/** One way to the length that a web press prints at a turn. */
function webIssues({ web, maxSheetMm, minSheetMm }: PressLimits): Issue[] {
  if (!web) return [];
  const { cutOffMm, cylinderTeeth = [], anyRepeat = false } = web;
  const told = [cutOffMm !== undefined, cylinderTeeth.length > 0, anyRepeat].filter(Boolean).length;
  if (told !== 1) return [error('works.repeat-one-way', 'press.web.cutOffMm', {})];
  const outside = cutOffMm !== undefined && (cutOffMm > maxSheetMm[1] || cutOffMm < minSheetMm[1]);
  return outside
    ? [
        error('works.cut-off-outside', 'press.web.cutOffMm', {
          cutOff: cutOffMm,
          least: minSheetMm[1],
          most: maxSheetMm[1],
        }),
      ]
    : [];
}

/** An offset plate covers the whole sheet; zones cover its width. */
function coverIssues(machine: Machine, press: PressLimits): Issue[] {
  const { plate, zones, maxSheetMm } = press;
  const offset = printingOf(machine) === 'offset';
  const plates =
    plate && offset
      ? SIDES.flatMap((side, i) => {
          const [has, wants] = [side === 'width' ? plate.widthMm : plate.heightMm, maxSheetMm[i] ?? 0];
          return has < wants
            ? [error('works.plate-too-small', `press.plate.${side}Mm`, { side, plate: has, sheet: wants })]
            : [];
        })
      : [];
  const covered = zones ? zones.count * zones.widthMm : Infinity;
  return covered < maxSheetMm[0]
    ? [...plates, error('works.zones-too-narrow', 'press.zones.count', { zones: covered, sheet: maxSheetMm[0] })]
    : plates;
}

function pressIssues(machine: Machine, press: PressLimits): Issue[] {
  const { units, perfects, plateless = false, plate, coatingUnits = 0 } = press;
  const issues = [...marginIssues(press), ...webIssues(press), ...coverIssues(machine, press)];
  if (units === 0 && PRINTING.includes(machine.process))
    issues.push(error('works.press-without-units', 'press.units', {}));
  if (units > 0 && !PRINTING.includes(machine.process))
    issues.push(error('works.units-on-a-cutter', 'press.units', { units }));
  if (perfects && !plateless && units < 2)
    issues.push(error('works.perfects-with-one-unit', 'press.perfects', { units }));
  if (plateless && plate) issues.push(error('works.plates-and-plateless', 'press.plateless', {}));
  if (coatingUnits > 0 && units === 0) issues.push(error('works.press-without-units', 'press.coatingUnits', {}));
  return issues;
}

/** Groups that a machine of its process has to tell, or cannot have. */
const groupIssues = (machine: Machine): Issue[] =>
  [...new Map(MACHINE_FIELDS.map((group) => [group.at, group])).values()].flatMap((group) => {
    const [may, has] = [group.of(machine.process), hasGroup(machine, group)];
    const values = { group: group.name, process: machine.process };
    if (may === 'has to' && !has) return [error('works.group-missing', group.at, values)];
    return may === 'never' && has ? [error('works.group-not-here', group.at, values)] : [];
  });

/** What only another kind of machine has. */
const notHereIssues = (machine: Machine): Issue[] =>
  MACHINE_FIELDS.flatMap(({ fields }) => fields)
    .filter(({ only, path }) => only !== undefined && only !== machine.process && fieldAt(machine, path) !== undefined)
    .map(({ name, path }) => error('works.field-not-here', path, { field: name, process: machine.process }));

/**
 * What is wrong with a machine as somebody enters it, in words of the trade: values beyond their limits, a smallest sheet larger
 * than the largest, margins that leave nothing to print, plates smaller than the sheet. None for what can be planned on.
 * Issues: `works.*`. Source: identity of the dimensions; limits are common practice, no source.
 */
export function checkMachine(machine: Machine): readonly Issue[] {
  const { press } = machine;
  const shape = [
    ...groupIssues(machine),
    ...MACHINE_FIELDS.filter((group) => hasGroup(machine, group)).flatMap(({ fields }) =>
      fieldsIssues(machine, fields),
    ),
    ...notHereIssues(machine),
  ];
  if (shape.length > 0) return shape;
  return [
    ...rangeIssues(machine, 'press', [
      ['minSheetMm.0', 'maxSheetMm.0', 'width'],
      ['minSheetMm.1', 'maxSheetMm.1', 'height'],
      ['minCaliperUm', 'maxCaliperUm', 'thickness'],
    ]),
    ...rangeIssues(machine, 'takes', [['minCaliperUm', 'maxCaliperUm', 'thickness']]),
    ...pieceIssues(machine),
    ...(press ? pressIssues(machine, press) : []),
  ];
}
