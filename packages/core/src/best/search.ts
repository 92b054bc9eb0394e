import type { Component, Job } from '../job/index.js';
import { type Outcome } from '../kernel/index.js';
import { type Plan, allPressSheets, atDayPrices, plan } from '../plan/index.js';
import { type Finding, checkRoute, mendAll } from '../rules/index.js';
import type { Works } from '../works/index.js';
import { type Way, unitFills, withWay } from '../ways/index.js';
import { type Option, leastJoint } from './joint.js';
import { type Part, partOf, targetsOf } from './parts.js';

/** What a proposal is best in. */
export type Aim = 'cost' | 'paper' | 'hours' | 'plates' | 'one press';

/** What a job comes to, to be compared. */
export interface Sums {
  readonly cost: number;
  readonly paperKg: number;
  readonly hours: number;
  readonly plates: number;
  readonly pressSheets: number;
}

/** A job planned another way, that keeps every rule. */
export interface Proposal {
  readonly aim: Aim;
  readonly job: Job;
  readonly sums: Sums;
  /** What of the job changes: the part's first component, and the way that it takes. */
  readonly changes: readonly { readonly component: string; readonly name: string; readonly way: Way }[];
}

/** Plans looked at before the cheapest found stands, and for what is better in something else. */
const MOST_LOOKS = 60;
const OTHER_LOOKS = 12;
/** Sums that differ by no more than this are the same. */
export const SAME = 1e-6;

const sumsOf = ({ totals }: Plan): Sums => ({
  cost: totals.cost.total,
  paperKg: totals.paperKg,
  hours: totals.hours,
  plates: totals.plates,
  pressSheets: allPressSheets(totals),
});

/** Whether a component is of the text: a section, or the form that carries some. */
const isText = ({ components }: Job, { id, kind }: Component): boolean =>
  kind === 'section' || components.some((other) => other.kind === 'section' && other.on === id);

const keyOf = ({ rule, step }: Finding): string => `${rule} ${step}`;

/** What came of planning a job in full: a proposal, or the parts at whose own stations it broke what it did not break before. */
type Looked = { readonly proposal: Proposal } | { readonly broken: readonly number[] };

/** Looks for the best plan of one job; keeps what all its aims share. */
export class Search {
  private readonly base: Plan;
  /** What the job breaks already is not the search's to mend. */
  private readonly known: ReadonlySet<string>;
  private readonly looked = new Map<string, Looked>();
  readonly parts: Part[] = [];
  /** Parts left as they are, since their ways cannot be listed. */
  readonly left: string[] = [];

  constructor(
    readonly job: Job,
    private readonly works: Works,
    planned: Plan,
  ) {
    this.base = planned;
    this.known = new Set(checkRoute(job, planned, works).map(keyOf));
  }

  get now(): Sums {
    return sumsOf(this.base);
  }

  /** Units that are filled whatever the parts do. */
  private filled(): ReadonlySet<string> {
    const isOpen = (component: Component): boolean =>
      this.parts.some(({ now, target }) =>
        target.kind === 'text' ? isText(this.job, component) : now.id === component.id,
      );
    const others = this.job.components.filter((component) => !isOpen(component));
    return new Set(others.flatMap((component) => unitFills(this.job, this.works, component)));
  }

  private get fillCost(): number {
    return this.parts[0]?.found.fillCost ?? 0;
  }

  /** What a way adds to the cost over how the part runs now, fills apart. */
  private costOption({ found }: Part, way: Way): Option {
    const fresh = (fills: readonly string[]): number =>
      this.fillCost * fills.filter((unit) => !found.filledAnyway.includes(unit)).length;
    return { way, fills: way.fills, adds: way.cost - fresh(way.fills) - (this.now.cost - fresh(found.fillsNow)) };
  }

  private option(part: Part, way: Way, aim: Aim): Option {
    if (aim === 'cost' || aim === 'one press') return this.costOption(part, way);
    const adds = { paper: way.paperKg, hours: way.hours, plates: way.plates }[aim];
    // Of those that are alike in what is sought, the cheaper.
    return { way, fills: [], adds: adds + way.cost * 1e-9 };
  }

  /** Cost of the parts together, as the ways add up. */
  private costOf(sum: number): number {
    const now = new Set([...this.filled(), ...this.parts.flatMap(({ found }) => found.fillsNow)]);
    return this.now.cost - this.fillCost * (now.size - this.filled().size) + sum;
  }

  /** The job with a way for each part, mended; a proposal where it breaks nothing that it did not break before. */
  private look(chosen: readonly Way[], aim: Aim): Looked {
    const key = chosen.map(({ id }) => id).join(' & ');
    const before = this.looked.get(key);
    if (before) return 'proposal' in before ? { proposal: { ...before.proposal, aim } } : before;
    const changed = this.parts
      .map((part, i) => ({ part, way: chosen[i] }))
      .filter(({ part, way }) => way && way.id !== part.found.current);
    const job = changed.reduce(
      (made, { part, way }) => (way ? withWay(made, part.target, way, this.works) : made),
      this.job,
    );
    const mended = mendAll({ ...job, school: 'step' }, this.works, (finding) => !this.known.has(keyOf(finding)));
    const result: Looked =
      !mended.plan || mended.findings.length > 0
        ? { broken: mended.findings.flatMap(({ step }) => this.partAt(mended.job, step) ?? []) }
        : {
            proposal: {
              aim,
              job: { ...mended.job, school: this.job.school },
              sums: sumsOf(mended.plan),
              changes: changed.flatMap(({ part: { now }, way }) =>
                way ? [{ component: now.id, name: now.kind === 'section' ? $localize`Text` : now.name, way }] : [],
              ),
            },
          };
    this.looked.set(key, result);
    return result;
  }

  /** The part that a station belongs to; undefined behind where lanes join. */
  private partAt(job: Job, step: string): number | undefined {
    const id = job.route.find((one) => one.id === step)?.component;
    const component = job.components.find((one) => one.id === id);
    if (!component) return undefined;
    const at = this.parts.findIndex(({ now, target }) =>
      target.kind === 'text' ? isText(job, component) : now.id === component.id,
    );
    return at < 0 ? undefined : at;
  }

  /**
   * The best for an aim that breaks no rule, with the bound below which none can be.
   * @param prints whether a press may print; any where it is not told.
   */
  best(
    aim: Aim,
    prints: (press: string) => boolean = () => true,
  ): { found: Proposal | undefined; bound: number; exact: boolean } {
    const banned = this.parts.map(() => new Set<string>());
    const filled = this.filled();
    const isCost = aim === 'cost' || aim === 'one press';
    let bound: number | undefined;
    let found: Proposal | undefined;
    // Whether every way left out was to blame by itself: then the joins that remain are bounds of all that may be.
    let sure = true;
    for (let look = 0; look < (aim === 'cost' ? MOST_LOOKS : OTHER_LOOKS); look++) {
      const lists = this.parts.map((part, i) =>
        part.ways
          .filter(({ id }) => !banned[i]?.has(id))
          .filter((way) => part.now.front.length + part.now.back.length === 0 || prints(way.press))
          .map((way) => this.option(part, way, aim)),
      );
      const joint = leastJoint(lists, isCost ? this.fillCost : 0, filled);
      if (!joint) break;
      const reckoned = this.costOf(joint.sum);
      if (aim === 'cost') bound ??= reckoned;
      if (found && found.sums.cost <= reckoned + SAME) return { found, bound: bound ?? 0, exact: sure };
      const ways = joint.chosen.map(({ way }) => way);
      const looked = this.look(ways, aim);
      if ('proposal' in looked) {
        const { proposal } = looked;
        if (!isCost) return { found: proposal, bound: 0, exact: true };
        if (!found || proposal.sums.cost < found.sums.cost) found = proposal;
        if (proposal.sums.cost <= reckoned + SAME) return { found, bound: bound ?? 0, exact: sure };
      }
      const [blamed] = 'broken' in looked ? looked.broken : [];
      if (blamed === undefined) sure = false;
      const changes = this.parts.map((part, i) => ways[i]?.id !== part.found.current);
      const at = blamed ?? Math.max(0, changes.lastIndexOf(true));
      const way = ways[at];
      if (way) banned[at]?.add(way.id);
    }
    return { found, bound: bound ?? this.now.cost, exact: false };
  }

  /** Searches every part. @param tell told the share done after each. Issues where locks leave a part no way. */
  searchParts(tell: (share: number) => void = () => undefined): Outcome<Search> {
    const targets = targetsOf(this.job);
    for (const [i, target] of targets.entries()) {
      const part = partOf(this.job, this.works, target);
      if (part && !part.ok) return part;
      if (part) this.parts.push(part.value);
      else this.left.push(target.kind === 'text' ? 'text' : target.id);
      if (i < targets.length - 1 && part) tell((i + 1) / targets.length);
    }
    return { ok: true, value: this };
  }
}

/** A search of a job; issues of planning the job as it is. */
export function searchOf(job: Job, asked: Works): Outcome<Search> {
  const works = atDayPrices(job, asked);
  const outcome = plan({ ...job, school: 'step' }, works);
  return outcome.ok ? { ok: true, value: new Search(job, works, outcome.value) } : outcome;
}
