import type { Content, TableCell } from 'pdfmake/interfaces.js';
import {
  type Alike,
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
  measureSystem,
  withinSentence,
  unitText,
  wordOf,
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
import { Said } from './measures.js';
import { heads, right, table } from './table.js';

const quiet = (text: string): Content => ({ text, style: 'small', margin: [0, 2, 0, 0] });
const cautionText = (cautions: readonly string[]): Content =>
  quiet($localize`Cautions. ${[...new Set(cautions)].join(' ')} ${CAUTION_RULE}`);

/** What components that are made alike are called together, by each of them; the first stands for the others. */
interface Together {
  readonly name: (component: string) => string;
  readonly first: (component: string) => string;
}

/** Carriers told in one line: alike but for their ink, their place on the sheet, or their component's pages. */
function inLines(all: readonly Carrier[], { first }: Together): Carrier[][] {
  const groups = new Map<string, Carrier[]>();
  for (const carrier of all) {
    const { component, ink, side, kind, name, impressions, life, owner } = carrier;
    const what = ink === undefined ? (carrier.position === undefined ? carrier.id : name) : side;
    const key = [first(component), what, kind, impressions, life, owner].join('/');
    groups.set(key, [...(groups.get(key) ?? []), carrier]);
  }
  return [...groups.values()];
}

/** Words that begin alike, their beginning once: "lines at 45° / 15°". */
function inOne([first = '', ...others]: readonly string[]): string {
  const words = first.split(' ');
  const alike = words.findIndex((word, i) => others.some((one) => one.split(' ')[i] !== word));
  const from = alike < 0 ? words.length : alike;
  return [first, ...others.map((one) => one.split(' ').slice(from).join(' '))].join(' / ');
}

/** Words of several, part by part: what all say once, where they differ in their order. */
function together(words: readonly string[]): string {
  const parts = words.map((one) => one.split('; '));
  const [first = []] = parts;
  return first
    .map((_, i) => inOne([...new Set(parts.map((one) => one[i] ?? ''))].filter((part) => part !== '')))
    .join('; ');
}

/** Names of what is in a line: "K C M Y, front". */
function namesOf(line: readonly Carrier[]): string {
  const [first] = line;
  if (!first) return '';
  if (first.ink === undefined)
    return carrierWords({ ...first, position: line.length > 1 ? undefined : first.position });
  const inks = [...new Set(line.map(({ ink }) => ink))];
  return inks.length === 1 ? carrierWords(first) : carrierWords(first).replace(first.ink, inks.join(' '));
}

function carriers({ job, plan, works }: JobDocument, { name, ...alike }: Together): Content[] {
  const system = measureSystem(works.measures);
  const all = listCarriers(job, plan, works);
  if (all.length === 0) return [];
  const rows = inLines(all, { name, ...alike }).flatMap((line): TableCell[][] => {
    const [carrier] = line;
    if (!carrier) return [];
    const units = [...new Set(line.flatMap(({ unit }) => unit ?? []))];
    const inks = new Set(line.map(({ ink }) => ink)).size;
    return [
      [
        units.join(' '),
        name(carrier.component),
        `${namesOf(line)}${line.length > inks ? $localize`, ${line.length} of them` : ''}${carrier.owner === 'customer' ? $localize` (customer’s property)` : ''}`,
        CARRIER_NAMES[carrier.kind],
        together(line.map((one) => makingWords(one, system))),
        right(number(carrier.impressions)),
        right(number(carrier.life)),
      ],
    ];
  });
  return [
    { text: $localize`Carriers`, style: 'station', margin: [0, 6, 0, 2] },
    table(
      [30, 84, 84, 40, '*', 34, 40],
      heads(
        $localize`Unit`,
        $localize`Component`,
        $localize`Of`,
        $localize`Kind`,
        $localize`Made as`,
        `>${$localize`Runs`}`,
        `>${$localize`Life`}`,
      ),
      rows,
    ),
    quiet(
      $localize`None is made before the artwork is approved; each is inspected before the press starts, and held until the count is safe.`,
    ),
    cautionText(all.flatMap(({ kind }) => CARRIER_CAUTIONS[kind])),
  ];
}

interface Placed {
  readonly layout: ComponentLayout;
  readonly ink: UnitInk;
}

/** Every ink in its unit, in the order of components and passes. */
const placedInks = ({ job, plan, works }: JobDocument, { first }: Together): Placed[] =>
  Object.values(plan.layouts)
    .filter(({ component }) => first(component.id) === component.id)
    .flatMap((layout) =>
      unitsOf(job, works, layout.component, layout.machine).flatMap(({ inks }) => inks.map((ink) => ({ layout, ink }))),
    );

function inks(document: JobDocument, placed: readonly Placed[], together: Together): Content[] {
  const { job, plan, works } = document;
  const said = new Said(works);
  if (placed.length === 0) return [];
  const passes = new Map<string, Placed[]>();
  for (const one of placed) {
    const key = `${one.layout.component.id} ${one.ink.side}`;
    passes.set(key, [...(passes.get(key) ?? []), one]);
  }
  const kgOf = ({ layout: { component }, ink }: Placed): number =>
    valueAt(plan, figureId.component(component.id, `ink.${ink.side}.${ink.index}.drawn`)) ?? 0;
  const rows = [...passes.values()].flatMap((pass): TableCell[][] => {
    const [first] = pass;
    if (!first) return [];
    const washed = pass.filter(({ ink }) => ink.washed).map(({ ink }) => ink.name);
    return [
      [
        together.name(first.layout.component.id),
        first.ink.side,
        pass
          .map(
            (one) =>
              `${one.ink.unit === undefined ? '' : `${one.ink.unit + 1} `}${one.ink.name} ${said.measure(kgOf(one), 'kg', 2)}`,
          )
          .join(', '),
        [...new Set(pass.map(({ ink }) => ORDER_RULE_WORDS[ink.rule]))].join(' / '),
        washed.join(', '),
      ],
    ];
  });
  const totals = inkNames(job).map((name) => {
    const [kg, pails] = [valueAt(plan, figureId.ink(name, 'kg')) ?? 0, valueAt(plan, figureId.ink(name, 'pails')) ?? 0];
    const { kind, accountable } = inkOf(job, works, name);
    return $localize`${name} (${withinSentence(INK_KIND_WORDS[kind])}${accountable ? $localize`, issued and returned by weight` : ''}) ${said.measure(kg, 'kg', 2)} in ${number(pails)} ${unitText('pail', pails)}`;
  });
  return [
    { text: $localize`Inks`, style: 'station', margin: [0, 6, 0, 2] },
    table(
      [92, 32, '*', 110, 56],
      heads(
        $localize`Component`,
        $localize`Side`,
        $localize`Unit, ink, to draw`,
        $localize`Stands here`,
        $localize`Wash-up for`,
      ),
      rows,
    ),
    { text: $localize`To draw: ${totals.join('; ')}.`, margin: [0, 4, 0, 0] },
    ...(job.contact
      ? [
          quiet(
            $localize`The product touches ${wordOf(CONTACT_WORDS[job.contact])}\: inks, varnishes and glues cleared for it only.`,
          ),
        ]
      : []),
    cautionText(INK_CAUTIONS),
  ];
}

function mixing({ job, plan, works }: JobDocument): Content[] {
  const said = new Said(works);
  const mixed = inkNames(job)
    .map((name) => inkOf(job, works, name))
    .filter(wantsTrial);
  return mixed.flatMap((ink): Content[] => {
    const { name, recipe = [], rests = [], aim, tolerance } = ink;
    const kg = valueAt(plan, figureId.ink(name, 'kg')) ?? 0;
    const limit = tolerance ?? normsOf(works, job.norms)('ink.trialTolerance').value;
    const target = aim
      ? $localize`Aim L* ${number(aim.l, 1)} a* ${number(aim.a, 1)} b* ${number(aim.b, 1)}, accepted up to CIEDE2000 ${number(limit, 1)}.`
      : $localize`No aim is set.`;
    const list = mixInk(recipe, kg, rests, name);
    const rows = list.ok
      ? [
          ...list.value.rests.map(({ name: rest, kg: of }): TableCell[] => [
            $localize`${rest} (rest)`,
            right(said.number(of, 'kg', 3)),
          ]),
          ...list.value.bases.map(({ ink: base, kg: of }): TableCell[] => [base, right(said.number(of, 'kg', 3))]),
        ]
      : [];
    const content: Content[] = [
      { text: $localize`Mixing: ${name}`, style: 'station', margin: [0, 6, 0, 2] },
      ...(rows.length > 0 ? [table(['*', 60], heads($localize`Weigh out`, `>${said.unit('kg')}`), rows)] : []),
      ...(recipe.length > 0 && !list.ok ? [quiet(list.issues.map(issueText).join(' '))] : []),
      quiet(
        $localize`${target} Draw it down on the job’s own stock; the press does not start before the trial is accepted.`,
      ),
    ];
    return [{ unbreakable: true, stack: content }];
  });
}

function register({ job, plan, works }: JobDocument, together: Together): Content[] {
  const said = new Said(works);
  const mm = said.unit('mm');
  const norms = normsOf(works, job.norms);
  const firsts = Object.values(plan.layouts).filter(({ component: { id } }) => together.first(id) === id);
  return firsts.flatMap((layout): Content[] => {
    const lines = registerLines(job, works, layout, norms);
    if (lines.length === 0) return [];
    const { places } = registerMarks(layout);
    const rows = lines.map(({ kind, toleranceMm, bounds: { what, haveMm, neededMm } }): TableCell[] => [
      REGISTER_WORDS[kind],
      right(`± ${said.number(toleranceMm, 'mm', 2)}`),
      wordOf(what),
      right(haveMm === undefined ? $localize`by the file` : said.number(haveMm, 'mm', 2)),
      right(said.number(neededMm, 'mm', 2)),
    ]);
    const at = places.map(({ xMm, yMm }) => `${said.number(xMm, 'mm', 1)} / ${said.number(yMm, 'mm', 1)}`).join(', ');
    const content: Content[] = [
      { text: $localize`Register: ${together.name(layout.component.id)}`, style: 'station', margin: [0, 6, 0, 2] },
      table(
        ['*', 70, 70, 70, 60],
        heads(
          $localize`What`,
          `>${$localize`Within, ${mm}`}`,
          $localize`Bounds`,
          `>${$localize`There is, ${mm}`}`,
          `>${$localize`Needed, ${mm}`}`,
        ),
        rows,
      ),
      quiet(
        places.length > 0
          ? $localize`Marks at ${at} ${mm}, from the left and from the gripper edge, seen printed side up.`
          : $localize`No place is clear for register marks.`,
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
      const unit = ink.unit === undefined ? $localize`no unit` : $localize`unit ${ink.unit + 1}`;
      return [
        line === 0 ? `${layout.component.name}, ${unit}, ${ink.name}` : '',
        $localize`${line * PER_LINE + 1} to ${line * PER_LINE + part.length}`,
        { text: part.map((share) => number(share * 100)).join('  '), characterSpacing: 0.2 },
      ];
    });
  });
  if (rows.length === 0) return [];
  return [
    { text: $localize`Ink zones`, style: 'station', margin: [0, 6, 0, 2] },
    table([130, 50, '*'], heads($localize`Unit`, $localize`Zones`, $localize`Coverage, %`), rows),
    quiet($localize`Zone 1 is at the left of the sheet seen printed side up.`),
  ];
}

/** What the plate room, the ink room and the press need: carriers, inks, mixing lists, register and ink zones. */
export function pressRoom(document: JobDocument, alike: readonly Alike[]): Content[] {
  const groups = new Map(alike.flatMap((group) => group.ids.map((id) => [id, group] as const)));
  const together: Together = {
    name: (id) => groups.get(id)?.name ?? '',
    first: (id) => groups.get(id)?.ids[0] ?? id,
  };
  const placed = placedInks(document, together);
  const zoned = placedInks(document, { ...together, first: (id) => id });
  return [
    ...carriers(document, together),
    ...inks(document, placed, together),
    ...mixing(document),
    ...register(document, together),
    ...zones(zoned),
  ];
}
