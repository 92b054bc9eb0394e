import type { Content, TableCell } from 'pdfmake/interfaces.js';
import {
  type Carrier,
  type ComponentLayout,
  type UnitInk,
  CARRIER_CAUTIONS,
  CAUTION_RULE,
  INK_CAUTIONS,
  inkNames,
  inkOf,
  listCarriers,
  mixInk,
  normsOf,
  plateZones,
  registerLines,
  registerMarks,
  unitsOf,
  wantsTrial,
  valueAt,
  figureId,
} from '@druckerei/core';
import {
  CARRIER_NAMES,
  CONTACT_WORDS,
  INK_KIND_WORDS,
  ORDER_RULE_WORDS,
  REGISTER_WORDS,
  carrierWords,
  issueText,
  makingWords,
} from '@druckerei/contract';
import { type JobDocument, number } from './document.js';
import { heads, right, table } from './table.js';

const quiet = (text: string): Content => ({ text, style: 'quiet', margin: [0, 3, 0, 0] });
const cautionText = (cautions: readonly string[]): Content =>
  quiet(`Cautions. ${[...new Set(cautions)].join(' ')} ${CAUTION_RULE}`);

/** Dies and boxes that are alike but for their place on the sheet stand in one line. */
function alike(all: readonly Carrier[]): { carrier: Carrier; count: number }[] {
  const groups = new Map<string, { carrier: Carrier; count: number }>();
  for (const carrier of all) {
    const tool = carrier.ink === undefined && carrier.position !== undefined;
    const key = tool ? `${carrier.component}/${carrier.kind}/${carrier.name}` : carrier.id;
    const before = groups.get(key);
    groups.set(key, {
      carrier: tool ? { ...carrier, position: undefined } : carrier,
      count: (before?.count ?? 0) + 1,
    });
  }
  return [...groups.values()];
}

function carriers({ job, plan, works }: JobDocument): Content[] {
  const all = listCarriers(job, plan, works);
  if (all.length === 0) return [];
  const rows = alike(all).map(({ carrier, count }): TableCell[] => [
    carrier.unit === undefined ? '' : String(carrier.unit),
    job.components.find(({ id }) => id === carrier.component)?.name ?? '',
    `${carrierWords(carrier)}${count > 1 ? `, ${count} of them` : ''}${carrier.owner === 'customer' ? ' (customer’s property)' : ''}`,
    CARRIER_NAMES[carrier.kind],
    makingWords(carrier),
    right(number(carrier.impressions)),
    right(number(carrier.life)),
  ]);
  return [
    { text: 'Carriers', style: 'heading' },
    table([20, 52, 84, 52, '*', 40, 48], heads('Unit', 'Component', 'Of', 'Kind', 'Made as', '>Runs', '>Life'), rows),
    quiet(
      'None is made before the artwork is approved; each is inspected before the press starts, and held until the count is safe.',
    ),
    cautionText(all.flatMap(({ kind }) => CARRIER_CAUTIONS[kind])),
  ];
}

interface Placed {
  readonly layout: ComponentLayout;
  readonly ink: UnitInk;
}

/** Every ink in its unit, in the order of components and passes. */
const placedInks = ({ job, plan, works }: JobDocument): Placed[] =>
  Object.values(plan.layouts).flatMap((layout) =>
    unitsOf(job, works, layout.component, layout.machine).flatMap(({ inks }) => inks.map((ink) => ({ layout, ink }))),
  );

function inks(document: JobDocument, placed: readonly Placed[]): Content[] {
  const { job, plan, works } = document;
  if (placed.length === 0) return [];
  const rows = placed.map(({ layout: { component }, ink }): TableCell[] => [
    ink.unit === undefined ? '-' : String(ink.unit + 1),
    component.name,
    ink.side,
    ink.name,
    ORDER_RULE_WORDS[ink.rule],
    ink.washed ? 'wash-up' : '',
    right(number(valueAt(plan, figureId.component(component.id, `ink.${ink.side}.${ink.index}.drawn`)) ?? 0, 2)),
  ]);
  const totals = inkNames(job).map((name) => {
    const [kg, pails] = [valueAt(plan, figureId.ink(name, 'kg')) ?? 0, valueAt(plan, figureId.ink(name, 'pails')) ?? 0];
    const { kind, accountable } = inkOf(job, works, name);
    return `${name} (${INK_KIND_WORDS[kind].toLowerCase()}${accountable ? ', issued and returned by weight' : ''}) ${number(kg, 2)} kg in ${number(pails)} ${pails === 1 ? 'pail' : 'pails'}`;
  });
  return [
    { text: 'Inks', style: 'heading' },
    table(
      [24, 80, 40, 80, '*', 48, 44],
      heads('Unit', 'Component', 'Side', 'Ink', 'Stands here', 'Before', '>kg'),
      rows,
    ),
    { text: `To draw: ${totals.join('; ')}.`, margin: [0, 4, 0, 0] },
    ...(job.contact
      ? [quiet(`The product touches ${CONTACT_WORDS[job.contact]}: inks, varnishes and glues cleared for it only.`)]
      : []),
    cautionText(INK_CAUTIONS),
  ];
}

function mixing({ job, plan, works }: JobDocument): Content[] {
  const mixed = inkNames(job)
    .map((name) => inkOf(job, works, name))
    .filter(wantsTrial);
  return mixed.flatMap((ink): Content[] => {
    const { name, recipe = [], rests = [], aim, tolerance } = ink;
    const kg = valueAt(plan, figureId.ink(name, 'kg')) ?? 0;
    const limit = tolerance ?? normsOf(works, job.norms)('ink.trialTolerance').value;
    const target = aim
      ? `Aim L* ${number(aim.l, 1)} a* ${number(aim.a, 1)} b* ${number(aim.b, 1)}, accepted up to CIEDE2000 ${number(limit, 1)}.`
      : 'No aim is set.';
    const list = mixInk(recipe, kg, rests, name);
    const rows = list.ok
      ? [
          ...list.value.rests.map(({ name: rest, kg: of }): TableCell[] => [`${rest} (rest)`, right(number(of, 3))]),
          ...list.value.bases.map(({ ink: base, kg: of }): TableCell[] => [base, right(number(of, 3))]),
        ]
      : [];
    const content: Content[] = [
      { text: `Mixing: ${name}`, style: 'heading' },
      ...(rows.length > 0 ? [table(['*', 60], heads('Weigh out', '>kg'), rows)] : []),
      ...(recipe.length > 0 && !list.ok ? [quiet(list.issues.map(issueText).join(' '))] : []),
      quiet(`${target} Draw it down on the job’s own stock; the press does not start before the trial is accepted.`),
    ];
    return [{ unbreakable: true, stack: content }];
  });
}

function register({ job, plan, works }: JobDocument): Content[] {
  const norms = normsOf(works, job.norms);
  return Object.values(plan.layouts).flatMap((layout): Content[] => {
    const lines = registerLines(job, layout, norms);
    if (lines.length === 0) return [];
    const { places } = registerMarks(layout);
    const rows = lines.map(({ kind, toleranceMm, bounds: { what, haveMm, neededMm } }): TableCell[] => [
      REGISTER_WORDS[kind],
      right(`± ${number(toleranceMm, 2)}`),
      what,
      right(haveMm === undefined ? 'by the file' : number(haveMm, 2)),
      right(number(neededMm, 2)),
    ]);
    const at = places.map(({ xMm, yMm }) => `${number(xMm, 1)} / ${number(yMm, 1)}`).join(', ');
    const content: Content[] = [
      { text: `Register: ${layout.component.name}`, style: 'heading' },
      table(['*', 70, 70, 70, 60], heads('What', '>Within, mm', 'Bounds', '>There is, mm', '>Needed, mm'), rows),
      quiet(
        places.length > 0
          ? `Marks at ${at} mm, from the left and from the gripper edge, seen printed side up.`
          : 'No place is clear for register marks.',
      ),
    ];
    return [{ unbreakable: true, stack: content }];
  });
}

const PER_LINE = 16;

/** Zones of a unit in lines of sixteen, per cent. */
function zones(placed: readonly Placed[]): Content[] {
  const rows = placed.flatMap(({ layout, ink }): TableCell[][] => {
    const shares = plateZones(layout, ink.side, ink.index);
    const lines = Math.ceil(shares.length / PER_LINE);
    return Array.from({ length: lines }, (_, line): TableCell[] => {
      const part = shares.slice(line * PER_LINE, (line + 1) * PER_LINE);
      const unit = ink.unit === undefined ? 'no unit' : `unit ${ink.unit + 1}`;
      return [
        line === 0 ? `${layout.component.name}, ${unit}, ${ink.name}` : '',
        `${line * PER_LINE + 1} to ${line * PER_LINE + part.length}`,
        { text: part.map((share) => number(share * 100)).join('  '), characterSpacing: 0.2 },
      ];
    });
  });
  if (rows.length === 0) return [];
  return [
    { text: 'Ink zones', style: 'heading' },
    table([130, 50, '*'], heads('Unit', 'Zones', 'Coverage, %'), rows),
    quiet('Zone 1 is at the left of the sheet seen printed side up.'),
  ];
}

/** What the plate room, the ink room and the press need: carriers, inks, mixing lists, register and ink zones. */
export function pressRoom(document: JobDocument): Content[] {
  const placed = placedInks(document);
  return [
    ...carriers(document),
    ...inks(document, placed),
    ...mixing(document),
    ...register(document),
    ...zones(placed),
  ];
}
