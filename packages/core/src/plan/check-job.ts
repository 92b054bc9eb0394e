import { type Issue, error, warning } from '../kernel/index.js';
import { readFolds, schemesFor } from '../imposition/index.js';
import { STYLE_RULES } from '../press/index.js';
import { OPERATION_RULES } from '../route/index.js';
import type { Machine, Works } from '../works/index.js';
import { baseId, isWithin, limitsInWords, normById, normInWords, normsOf } from '../norms/index.js';
import { foursIssue } from '../families/index.js';
import { panelIssues, takenBy } from '../material/index.js';
import {
  isAssorted,
  type Component,
  type Job,
  type Step,
  isUnprinted,
  itemsTotal,
  paperOf,
  type Unordered,
  drawLimit,
} from '../job/index.js';
import { endPagesOf, machinesFor, webIssues, webOf } from '../press-sheet/index.js';
import { SHARING } from '../edit/index.js';

function normIssues(job: Unordered, works: Works): Issue[] {
  return Object.entries(job.norms).flatMap(([id, value]) => {
    const norm = normById(works, id);
    // What is told for a machine or a run belongs to the works; a job tells its own value.
    if (norm?.id !== baseId(id)) return [error('job.unknown-norm', `norms["${id}"]`, { norm: id })];
    if (isWithin(norm, value)) return [];
    return [
      error('job.norm-out-of-range', `norms["${id}"]`, {
        norm: `${norm.subject}: ${norm.name}`,
        value: normInWords(norm, value),
        limits: limitsInWords(norm),
      }),
    ];
  });
}

function stepIssues(job: Unordered, works: Works, step: Step, path: string): Issue[] {
  const issues: Issue[] = [];
  const { name } = OPERATION_RULES[step.operation];
  if (step.component !== undefined && !job.components.some(({ id }) => id === step.component)) {
    issues.push(error('job.unknown-component', `${path}.component`, { step: step.id, component: step.component }));
  }
  if (step.machine !== undefined) {
    const machine = works.machines.find(({ id }) => id === step.machine);
    if (!machine)
      issues.push(error('job.unknown-machine', `${path}.machine`, { step: step.id, machine: step.machine }));
    else if (!machinesFor(job, works, step).includes(machine)) {
      issues.push(
        error('job.machine-cannot', `${path}.machine`, { step: step.id, machine: machine.name, operation: name }),
      );
    }
  }
  return issues;
}

/** What a press does not take of a component: sheet, caliper, sides, colours. Issues: `press.*`. */
export function pressIssues(component: Component, machine: Machine, path: string, caliperUm: number): Issue[] {
  const { press } = machine;
  if (!press)
    return [
      error('job.machine-cannot', `${path}.press`, {
        step: component.name,
        machine: machine.name,
        operation: OPERATION_RULES.print.name,
      }),
    ];
  const issues: Issue[] = [];
  const { widthMm, heightMm } = component.sheet;
  const [maxW, maxH] = press.maxSheetMm;
  const [minW, minH] = press.minSheetMm;
  const named = { component: component.name, machine: machine.name };
  if (widthMm > maxW || heightMm > maxH)
    issues.push(
      error('press.sheet-too-large', `${path}.sheet`, {
        ...named,
        width: widthMm,
        height: heightMm,
        maxWidth: maxW,
        maxHeight: maxH,
      }),
    );
  if (widthMm < minW || heightMm < minH)
    issues.push(
      error('press.sheet-too-small', `${path}.sheet`, {
        ...named,
        width: widthMm,
        height: heightMm,
        minWidth: minW,
        minHeight: minH,
      }),
    );
  if (caliperUm < press.minCaliperUm || caliperUm > press.maxCaliperUm) {
    issues.push(
      error('press.caliper-out-of-range', `${path}.stock`, {
        ...named,
        value: Math.round(caliperUm),
        min: press.minCaliperUm,
        max: press.maxCaliperUm,
      }),
    );
  }
  if (component.workStyle === 'perfecting' && !press.perfects)
    issues.push(error('press.cannot-perfect', `${path}.workStyle`, named));
  const [front, back] = [component.front.length, component.back.length];
  const atOnce = component.workStyle === 'perfecting' ? front + back : Math.max(front, back);
  if (atOnce > press.units)
    issues.push(error('press.too-few-units', `${path}.front`, { ...named, colours: atOnce, units: press.units }));
  return issues;
}

const PAGED: readonly Component['kind'][] = ['section', 'cover'];

/** Folds of the house's own have to be readable and come to the pages of the section. */
function foldingIssues({ name, folding, pages = 0 }: Component, path: string): Issue[] {
  if (!folding) return [];
  const { wrong } = readFolds(folding.folds);
  if (wrong !== undefined) return [error('fold.unreadable', `${path}.folding.folds`, { component: name, wrong })];
  const { columns, rows } = folding;
  const gives = 2 * columns * rows;
  if (gives === pages) return [];
  return [error('fold.grid-not-for-pages', `${path}.folding`, { component: name, columns, rows, gives, pages })];
}

/** Every kind but the forms of a gang, and blanks from a drawing, wants its own size. */
function sizeIssues({ kind, die, name, widthMm, heightMm }: Component, path: string): Issue[] {
  if (kind === 'gang' || (kind === 'blank' && die?.kind === 'drawing')) return [];
  return [
    ...(widthMm === undefined
      ? [error('job.size-missing', `${path}.widthMm`, { component: name, field: 'width' })]
      : []),
    ...(heightMm === undefined
      ? [error('job.size-missing', `${path}.heightMm`, { component: name, field: 'height' })]
      : []),
  ];
}

/**
 * What is wrong with an order by itself: partial deliveries that are not the order, no more and no less; items that do not
 * add up to it. Issues: `order.deliveries`, `gang.sum`.
 */
export function checkOrder(job: Job): Issue[] {
  const { deliveries, quantity } = job.order;
  const delivered = deliveries?.reduce((total, part) => total + part.quantity, 0) ?? quantity;
  const items = itemsTotal(job) ?? quantity;
  return [
    ...(delivered === quantity
      ? []
      : [error('order.deliveries', 'order.deliveries', { sum: delivered, value: quantity })]),
    // Packs of several items are ordered by the pack.
    ...(items === quantity || isAssorted(job)
      ? []
      : [error('gang.sum', 'order.quantity', { sum: items, value: quantity })]),
  ];
}

/** Every component is taken up by a station; what lies on a form is taken up with that. Issues: `job.component-idle`. */
function idleIssues({ components, route }: Unordered): Issue[] {
  const taken = new Set(route.flatMap((step) => takenBy(step).map(({ material }) => material)));
  return components.flatMap(({ id, name, on }, i) =>
    on !== undefined || taken.has(paperOf(id))
      ? []
      : [error('job.component-idle', `components[${i}]`, { component: name })],
  );
}

/** A second run is of a component that the job has, and no run itself. Issues: `job.unknown-run`. */
function runIssues({ components }: Unordered): Issue[] {
  return components.flatMap(({ name, runOf }, i) =>
    runOf === undefined || components.some((other) => other.id === runOf && other.runOf === undefined)
      ? []
      : [error('job.unknown-run', `components[${i}].runOf`, { component: name, run: runOf })],
  );
}

/** Items and the forms that carry them. Issues: `gang.not-carried`, `gang.split`. */
function itemIssues({ items = [], components }: Unordered): Issue[] {
  return items.flatMap((item, i): Issue[] => {
    const on = components.flatMap(({ carries = [] }) => carries.filter(({ item: id }) => id === item.id));
    if (on.length === 0) return [error('gang.not-carried', `items[${i}]`, { item: item.name })];
    const shares = on.reduce((total, { share }) => total + (share ?? 1), 0);
    // Shares are decimals of up to nine places.
    return Math.abs(shares - 1) < 1e-9
      ? []
      : [error('gang.split', `items[${i}]`, { item: item.name, forms: on.length })];
  });
}

/** What lies on a form is printed there, so on the same paper by the same press. Issues: `gang.section-apart`. */
function sharingIssues({ components }: Unordered, component: Component, path: string): Issue[] {
  const form = components.find(({ id }) => id === component.on);
  const carried = form?.carries?.some(({ item }) => item === component.id) ?? false;
  const alike = form?.stock === component.stock && form.press === component.press;
  return SHARING.includes(component.kind) && carried && alike
    ? []
    : [error('gang.section-apart', `${path}.on`, { component: component.name, form: component.on ?? '' })];
}

function componentIssues(job: Unordered, works: Works, component: Component, path: string): Issue[] {
  const issues: Issue[] = [];
  const stock = works.stocks.find(({ id }) => id === component.stock);
  const machine = works.machines.find(({ id }) => id === component.press);
  if (!stock)
    issues.push(error('job.unknown-stock', `${path}.stock`, { component: component.name, stock: component.stock }));
  if (!machine)
    issues.push(error('job.unknown-machine', `${path}.press`, { step: component.name, machine: component.press }));
  if (stock && machine) issues.push(...pressIssues(component, machine, path, stock.gsm * stock.bulk));
  // Board is slit from the web of a corrugator, paper is cut from rolls.
  const webKind = component.bought?.kind;
  if (stock && webKind && webKind !== 'sheet' && (webKind === 'deckle') !== (stock.flutes !== undefined))
    issues.push(error('paper.web-not-for-stock', `${path}.bought`, { component: component.name, stock: stock.name }));
  if (machine) issues.push(...webIssues(component, machine, path));
  issues.push(...sizeIssues(component, path));
  if (PAGED.includes(component.kind) && (!component.pages || component.pages % 4 !== 0)) {
    issues.push(
      error('job.pages-not-multiple-of-four', `${path}.pages`, {
        component: component.name,
        value: component.pages ?? 0,
      }),
    );
  }
  issues.push(...foldingIssues(component, path));
  const onWeb = machine !== undefined && webOf(machine) !== undefined;
  const offered = schemesFor(component.pages ?? 0, onWeb ? 'web' : 'sheet').map((scheme) => scheme.id);
  if (component.scheme !== undefined && !offered.includes(component.scheme)) {
    issues.push(
      error('fold.scheme-not-for-pages', `${path}.scheme`, {
        component: component.name,
        scheme: component.scheme,
        pages: component.pages ?? 0,
        offered: offered.join(', '),
      }),
    );
  }
  if (component.workStyle === 'single' && component.back.length > 0) {
    issues.push(
      error('press.back-without-work-style', `${path}.workStyle`, {
        component: component.name,
        colours: component.back.length,
      }),
    );
  }
  if (component.on !== undefined) return [...issues, ...sharingIssues(job, component, path)];
  const prints = job.route.filter((step) => step.component === component.id && step.operation === 'print');
  const { passes } = STYLE_RULES[component.workStyle];
  if (prints.length === 0 && isUnprinted(component)) return issues;
  if (prints.length === 0) issues.push(error('job.no-press-step', path, { component: component.name }));
  else if (prints.map(({ side }) => side ?? 'front').join() !== passes.join()) {
    issues.push(
      error('press.passes-do-not-match', `${path}.workStyle`, {
        component: component.name,
        style: component.workStyle,
        wanted: passes.join(', '),
      }),
    );
  }
  return issues;
}

/** Stations that take loose leaves, each of two pages. */
const PUTS_LEAVES: readonly Step['operation'][] = ['kit', 'bind'];

/**
 * What is wrong with a job before anything is reckoned, its order apart: names that the works does not know, sizes that the press does
 * not take, passes that do not fit the work style. Issues: `job.*`, `press.*`, `web.*` and `gang.*`.
 */
export function checkJob(job: Unordered, works: Works): Issue[] {
  const ids = job.components.map(({ id }) => id);
  const doubled = ids.flatMap((id, i) =>
    ids.indexOf(id) < i ? [error('job.duplicate-component', `components[${i}].id`, { component: id })] : [],
  );
  const sectionPages = job.components.reduce(
    (sum, { kind, pages, runOf }) => sum + (kind === 'section' && runOf === undefined ? (pages ?? 0) : 0),
    0,
  );
  const binds = job.route.some(({ operation }) => ['stitch', 'bind', 'sew'].includes(operation));
  const leaves = job.route.flatMap(({ operation, from = [] }, i) =>
    PUTS_LEAVES.includes(operation)
      ? from.flatMap(({ usage = 1 }, j) =>
          usage > 1 && (2 * usage) % 4 !== 0 ? [foursIssue(2 * usage, `route[${i}].from[${j}].usage`)] : [],
        )
      : [],
  );
  const fours = binds && job.pages !== undefined && job.pages % 4 !== 0 ? [foursIssue(job.pages, 'pages')] : [];
  return [
    ...fours,
    ...leaves,
    ...doubled,
    ...normIssues(job, works),
    ...(job.school === 'sure' ? drawLimit(job, normsOf(works, job.norms)('sure.draws').value) : []),
    ...itemIssues(job),
    ...runIssues(job),
    ...idleIssues(job),
    ...panelIssues(job, works),
    ...job.components.flatMap((component, i) => componentIssues(job, works, component, `components[${i}]`)),
    ...job.route.flatMap((step, i) => stepIssues(job, works, step, `route[${i}]`)),
    ...(job.pages !== undefined && sectionPages - 2 * endPagesOf(job) !== job.pages
      ? [warning('job.page-sum', 'pages', { pages: job.pages, sum: sectionPages - 2 * endPagesOf(job) })]
      : []),
  ];
}
