import { type Issue, error } from '../kernel/index.js';
import { mostPages, splitProposals } from '../imposition/index.js';
import { type PatternRequest, type Patterns, layPatterns } from '../layout/index.js';
import { caliperUm } from '../paper/index.js';
import type { Component, Job, Step } from '../job/index.js';
import {
  type ComponentLayout,
  type LaySection,
  assemblyOf,
  layComponent,
  laySection,
  webOf,
} from '../press-sheet/index.js';
import { pressIssues } from '../plan/index.js';
import { printSteps, sectionLane } from '../edit/index.js';
import { type NormLookup, normsOf } from '../norms/index.js';
import type { Works } from '../works/index.js';
import { type WayTarget, choose, splitText } from './apply-way.js';
import { type LaneEstimate, LaneReckoner } from './estimate.js';
import type { Lane } from './lane.js';
import { RefusalBook } from './refusals.js';
import { type Twins, twinsOf } from './twins.js';
import { type WayChoice, wayId } from './way.js';

/** A function that remembers its answers by a key of what was asked. */
function remember<Asked extends readonly unknown[], Answer>(
  keyOf: (...asked: Asked) => string,
  work: (...asked: Asked) => Answer,
): (...asked: Asked) => Answer {
  const known = new Map<string, Answer>();
  return (...asked) => {
    const key = keyOf(...asked);
    const before = known.get(key);
    if (before !== undefined) return before;
    const answer = work(...asked);
    known.set(key, answer);
    return answer;
  };
}

/** Many ways lay the same piece on the same area. */
const rememberPatterns = (): ((request: PatternRequest) => Patterns) =>
  remember((request) => Object.values(request).join(' '), layPatterns);

/** Where a section stands in the book does not change its sheet: scheme, page and trims do. */
const rememberSections = (): LaySection =>
  remember(
    (_job, { widthMm, heightMm, trims }, scheme, _position, trimMm, caliper) =>
      [scheme.id, widthMm, heightMm, trimMm, caliper, JSON.stringify(trims ?? {})].join(' '),
    laySection,
  );

/** A component laid in one way, counted at the job's quantity and at the second one. */
interface Counted {
  readonly layout: ComponentLayout;
  readonly one: LaneEstimate;
  readonly two: LaneEstimate;
}
/** That, or the reason why it cannot be. */
type Evaluated = Counted | { readonly issue: Issue };

/** One split of a choice: all its parts added up, or the reason why one of them cannot be. */
type EvaluatedSplit = { readonly sections: readonly number[] | undefined } & Evaluated;

/** A unit of a press, as the same unit of its twin. */
const onPress = (fill: string, from: string, to: string): string =>
  from !== to && fill.startsWith(`${from}/`) ? `${to}${fill.slice(from.length)}` : fill;

/** Good pieces that have to leave the lanes at the job's quantity and at the second one. */
export interface Wanted {
  readonly one: number;
  readonly two: number;
}

const NONE: LaneEstimate = {
  pressSheets: 0,
  boughtSheets: 0,
  paperKg: 0,
  productKg: 0,
  plates: 0,
  passes: 0,
  hours: 0,
  fills: [],
  cost: 0,
};

function addUp(estimates: readonly LaneEstimate[]): LaneEstimate {
  const [only] = estimates;
  if (only && estimates.length === 1) return only;
  const sum = { ...NONE };
  const fills = new Set<string>();
  for (const one of estimates) {
    sum.pressSheets += one.pressSheets;
    sum.boughtSheets += one.boughtSheets;
    sum.paperKg += one.paperKg;
    sum.productKg += one.productKg;
    sum.plates += one.plates;
    sum.passes += one.passes;
    sum.hours += one.hours;
    sum.cost += one.cost;
    for (const fill of one.fills) fills.add(fill);
  }
  return { ...sum, fills: [...fills] };
}

/** Searches the ways of one target; keeps what all of them share. */
export class WaySearch {
  private readonly norms: NormLookup;
  private readonly reckoner: LaneReckoner;
  private readonly lay = rememberPatterns();
  private readonly laySection = rememberSections();
  readonly refusals = new RefusalBook();
  /** Units that the rest of the job fills with ink anyway. */
  private readonly filledAnyway: ReadonlySet<string>;
  private readonly twins: Twins;
  /** Machines that stations of the job name. */
  private readonly namedMachines: ReadonlySet<string>;
  /** How the parts run now. */
  private readonly asNow: ReadonlySet<string>;
  private readonly counted = new Map<string, { readonly press: string; readonly all: readonly EvaluatedSplit[] }>();

  constructor(
    private readonly job: Job,
    private readonly works: Works,
    private readonly parts: readonly Component[],
    private readonly lanes: ReadonlyMap<string, Lane>,
    private readonly wanted: Wanted,
  ) {
    this.norms = normsOf(works, job.norms);
    this.reckoner = new LaneReckoner(job, works, this.norms);
    this.twins = twinsOf(works, this.norms);
    this.asNow = new Set(parts.map(wayId));
    this.namedMachines = new Set(job.route.flatMap(({ machine }) => machine ?? []));
    const others = job.components.filter((component) => !parts.includes(component));
    this.filledAnyway = new Set(
      others.flatMap((component) => {
        const machine = works.machines.find(({ id }) => id === component.press);
        return machine ? this.reckoner.fillsOf({ component, machine }) : [];
      }),
    );
  }

  /** What it costs to fill one unit with ink. */
  get fillCost(): number {
    return this.reckoner.fillCost(1);
  }

  /** Units that the rest of the job fills anyway. */
  get filled(): readonly string[] {
    return [...this.filledAnyway];
  }

  /** A sum with what it costs to fill the units that nothing else of the job fills. */
  private withFills(sum: LaneEstimate): LaneEstimate {
    const own = sum.fills.filter((fill) => !this.filledAnyway.has(fill));
    return { ...sum, cost: sum.cost + this.reckoner.fillCost(own.length) };
  }

  /** Steps of a component in a choice: its own lane with the passes of the style, or the usual lane of a new section. */
  private static stepsOf(component: Component, lane: Lane | undefined, severalUp: boolean): readonly Step[] {
    if (!lane) return sectionLane(component, severalUp);
    const isPress = ({ operation }: Step): boolean => operation === 'print' || operation === 'dry';
    // Boards and cloth are cut and not printed.
    if (!lane.steps.some(isPress)) return lane.steps;
    const passes = printSteps(component.id, component.workStyle).map((step) => {
      const own = lane.steps.find(({ id }) => id === step.id);
      return own ? { ...own, ...step } : step;
    });
    const first = lane.steps.findIndex(isPress);
    const before = lane.steps.slice(0, first);
    const later = lane.steps.filter((step, i) => i > first && !isPress(step));
    if (component.kind !== 'section') return [...before, ...passes, ...later];
    const cut = later.find(({ operation }) => operation === 'cut');
    const made: Step = { id: `cut-${component.id}`, operation: 'cut', component: component.id };
    if (!severalUp) return [...before, ...passes, ...later.filter((step) => step !== cut)];
    return [...before, ...passes, ...(cut ? [] : [made]), ...later];
  }

  private count(layout: ComponentLayout, steps: readonly Step[]): Counted {
    const [one, two] = this.reckoner.reckon(layout, steps, [this.wanted.one, this.wanted.two]);
    return { layout, one: one ?? NONE, two: two ?? NONE };
  }

  /** Where a section stands does not change what it takes, so each is laid as if it were the only one. */
  private layAlone(component: Component): ReturnType<typeof layComponent> {
    const { job, works, norms, lay, laySection: pages } = this;
    const place = { assembly: assemblyOf(job), firstPage: 1, totalPages: component.pages ?? 0 };
    const positions = new Map([[component.id, { place, order: 0, endPages: 0 }]]);
    return layComponent(component, '', { job, works, norms, positions, lay, laySection: pages });
  }

  /** A component that has been given its press and sheet. @param lane its own steps, absent for a new section. */
  private evaluate(component: Component, lane: Lane | undefined): Evaluated {
    const machine = this.works.machines.find(({ id }) => id === component.press);
    const stock = this.works.stocks.find(({ id }) => id === component.stock);
    if (!machine || !stock) throw new Error(`a choice of ${component.press} and ${component.stock}`);
    if (webOf(machine)) return { issue: error('ways.web-apart', '', { machine: machine.name }) };
    const [wrong] = pressIssues(component, machine, '', caliperUm(stock.gsm, stock.bulk));
    if (wrong) return { issue: wrong };
    const { layout, issues } = this.layAlone(component);
    if (layout) return this.count(layout, WaySearch.stepsOf(component, lane, layout.pattern.count > 1));
    const [issue] = issues;
    if (!issue) throw new Error('no layout and no reason');
    return { issue };
  }

  /** What the target takes as the job has it now. */
  current(): { one: LaneEstimate; two: LaneEstimate } {
    const all = this.parts.flatMap((component) => {
      const { layout } = this.layAlone(component);
      const lane = this.lanes.get(component.id);
      return layout && lane ? [this.count(layout, lane.steps)] : [];
    });
    const sum = (estimates: readonly LaneEstimate[]): LaneEstimate => this.withFills(addUp(estimates));
    return { one: sum(all.map(({ one }) => one)), two: sum(all.map(({ two }) => two)) };
  }

  /** A choice is counted as another that differs in names alone, unless the job names the press or runs like this now. */
  private twinKey(choice: WayChoice): string | undefined {
    if (this.namedMachines.has(choice.press) || this.asNow.has(wayId(choice))) return undefined;
    const { press, stock } = choice;
    return `${this.twins.press(press)} ${this.twins.stock(stock)} ${wayId({ ...choice, press: '', stock: '' })}`;
  }

  /** One choice with every split of the text; what cannot be goes into the refusals. */
  ways(choice: WayChoice, splits: readonly (readonly number[] | undefined)[]): FoundWay[] {
    const key = this.twinKey(choice);
    const before = key === undefined ? undefined : this.counted.get(key);
    const evaluated = before ?? { press: choice.press, all: this.evaluateAll(choice, splits) };
    if (key !== undefined) this.counted.set(key, evaluated);
    const onIts = ({ fills, ...sum }: LaneEstimate): LaneEstimate =>
      this.withFills({ ...sum, fills: fills.map((fill) => onPress(fill, evaluated.press, choice.press)) });
    return evaluated.all.flatMap((split): FoundWay[] => {
      if ('issue' in split) {
        this.refusals.add(this.onTwin(split.issue, evaluated.press, choice.press));
        return [];
      }
      const { sections, layout, one, two } = split;
      return [{ choice: sections ? { ...choice, sections } : choice, layout, one: onIts(one), two: onIts(two) }];
    });
  }

  /** A reason that names a press, told of its twin. */
  private onTwin(issue: Issue, from: string, to: string): Issue {
    const name = (id: string): string | undefined => this.works.machines.find((machine) => machine.id === id)?.name;
    const named = name(to);
    return from === to || issue.params['machine'] !== name(from) || named === undefined
      ? issue
      : { ...issue, params: { ...issue.params, machine: named } };
  }

  private evaluateAll(choice: WayChoice, splits: readonly (readonly number[] | undefined)[]): EvaluatedSplit[] {
    const bySize = new Map<number, Evaluated>();
    const section = (pages: number): Evaluated => {
      const before = bySize.get(pages);
      if (before) return before;
      const [made] = splitText(this.job, { ...choice, sections: [pages] });
      if (!made) throw new Error('a text without a section');
      const evaluated = this.evaluate(made, undefined);
      bySize.set(pages, evaluated);
      return evaluated;
    };
    return splits.flatMap((sections): EvaluatedSplit[] => {
      const parts = sections
        ? sections.map(section)
        : this.parts.map((part) => this.evaluate(choose(part, choice), this.lanes.get(part.id)));
      const refused = parts.find((part) => 'issue' in part);
      if (refused) return [{ sections, ...refused }];
      const good = parts.filter((part) => 'layout' in part);
      const [first] = good;
      return first
        ? [
            {
              sections,
              layout: first.layout,
              one: addUp(good.map(({ one }) => one)),
              two: addUp(good.map(({ two }) => two)),
            },
          ]
        : [];
    });
  }

  /** Splits of a text: as it is, and every other that is offered for its stock. */
  splits(target: WayTarget): (readonly number[] | undefined)[] {
    if (target.kind === 'component') return [undefined];
    const stock = this.works.stocks.find(({ id }) => id === this.parts[0]?.stock);
    const pages = this.parts.map((part) => part.pages ?? 0);
    const total = pages.reduce((sum, n) => sum + n, 0);
    const others = splitProposals(total, mostPages(stock?.gsm ?? 0)).filter((split) => String(split) !== String(pages));
    return [undefined, ...others];
  }
}

/** A choice that works, with its sums over all sections at both quantities; the layout is the first section's. */
export interface FoundWay extends Counted {
  readonly choice: WayChoice;
}
