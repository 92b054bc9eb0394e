import {
  type InkKind,
  type InkSchool,
  type OrderedInk,
  type PrintSide,
  STYLE_RULES,
  orderInks,
  passesFor,
  placeInks,
} from '../press/index.js';
import { type Contact, type HouseInk, type Machine, type Works, inUse, printingOf } from '../works/index.js';
import type { NormLookup } from '../norms/index.js';
import type { ComponentLayout } from '../press-sheet/index.js';
import type { Component, InkSpec, InkUse, Job, Step, Unordered } from '../job/index.js';

const PROCESS = ['K', 'C', 'M', 'Y'];

const byName = new WeakMap<readonly HouseInk[], ReadonlyMap<string, HouseInk>>();

/** Inks of a house by name: one that it keeps before one that it kept. Cached by their list, which is immutable. */
function houseInks(inks: readonly HouseInk[]): ReadonlyMap<string, HouseInk> {
  const known = byName.get(inks);
  if (known) return known;
  const retired = inks.filter((ink) => ink.retired);
  const made = new Map([...retired, ...inUse(inks)].map((ink) => [ink.name, ink]));
  byName.set(inks, made);
  return made;
}

/** What is known of an ink: the job's word, then the house's, then its name. */
export function inkOf(job: Pick<Job, 'inks'>, works: Works, name: string): InkSpec {
  const kept: Partial<HouseInk> = (works.inks && houseInks(works.inks).get(name)) ?? {};
  const { id: _id, retired: _retired, ...house } = kept;
  const own = job.inks?.find((ink) => ink.name === name);
  const kind: InkKind = own?.kind ?? house.kind ?? (PROCESS.includes(name) ? 'process' : 'mixed');
  return { ...house, ...own, name, kind };
}

/** Inks of the job that want an accepted trial before the press starts: what is mixed for it. */
const TRIAL_KINDS: readonly InkKind[] = ['mixed', 'metallic', 'ground', 'white', 'special'];
/** Whether an ink wants an accepted trial before it runs: it has a colour to reach. */
export const wantsTrial = ({ kind }: InkSpec): boolean => TRIAL_KINDS.includes(kind);

/** Names of all inks that a job prints, each once. */
export const inkNames = (job: Job): string[] => [
  ...new Set([
    ...job.components.flatMap(({ front, back }) => [...front, ...back].map(({ name }) => name)),
    ...job.route.flatMap(({ inks = [] }) => inks.map(({ name }) => name)),
  ]),
];

/** Norms that a film and its solids come from, where the ink has no film of its own. Source: handbook chapter 5. */
export function filmNorms({ machine, stock }: ComponentLayout, kind: InkKind): { film: string; solids?: string } {
  if (kind === 'varnish' || kind === 'coating') return { film: `ink.film.${kind}` };
  const process = printingOf(machine);
  if (process === 'flexo' || process === 'gravure')
    return { film: `ink.film.${process}`, solids: `ink.solids.${process}` };
  if (process === 'offset' || process === 'digital')
    return { film: `ink.film.${stock.coated ? 'coated' : 'uncoated'}` };
  return { film: `ink.film.${process}` };
}

/** Film at full coverage in g/m2 and share of solids, as plain numbers. */
export function filmOf(layout: ComponentLayout, ink: InkSpec, norms: NormLookup): { film: number; solids: number } {
  const { film, solids } = filmNorms(layout, ink.kind);
  return {
    film: ink.filmGsm ?? norms(film).value,
    solids: ink.solids ?? (solids && ink.filmGsm === undefined ? norms(solids).value : 1),
  };
}

/** One ink in its unit. */
export interface UnitInk extends OrderedInk {
  readonly side: 'front' | 'back';
  /** Place in the job's list of that side. */
  readonly index: number;
  /** Unit from the feeder, from 0; beyond the printing units for a coating unit; undefined where none is free. */
  readonly unit: number | undefined;
  /** The unit had another ink before. */
  readonly washed: boolean;
}

/** Inks of one press pass in their units. */
export interface PassInks {
  readonly side: PrintSide;
  readonly inks: readonly UnitInk[];
  readonly washUps: number;
  /** Too few units: how the inks of a side fall into passes; empty where they fit. */
  readonly proposal: readonly (readonly string[])[];
}

/** Order of process colours that a press is run in: its own, else black first in offset and last elsewhere. Source: practice. */
export const inkSchoolOf = (machine: Machine): InkSchool =>
  machine.press?.inkSchool ?? (printingOf(machine) === 'offset' ? 'black-first' : 'black-last');

const sidesIn = (side: PrintSide): readonly ('front' | 'back')[] => (side === 'both' ? ['front', 'back'] : [side]);

/** Units that a side may use: half of them each where the press prints both sides at once. */
function rangeOf(side: 'front' | 'back', pass: PrintSide, units: number): { first: number; count: number } {
  if (pass !== 'both') return { first: 0, count: units };
  const half = Math.ceil(units / 2);
  return side === 'front' ? { first: 0, count: half } : { first: half, count: units - half };
}

/** What was asked of a component last, and the answer. */
interface Asked {
  readonly inks: Unordered['inks'];
  readonly works: Works;
  readonly machine: Machine;
  readonly passes: readonly PassInks[];
}
const known = new WeakMap<Component, Asked>();

/**
 * Inks of a component's passes in the units of its press: order by the press's school and the rules or by hand, places
 * so that the fewest units are washed. A second pass comes after the first: its units hold what that left. Remembered as
 * long as the component, the job's inks and the works stay the same.
 * Source: handbook chapter 5 "Order of colours".
 */
export function unitsOf(job: Unordered, works: Works, component: Component, machine: Machine): readonly PassInks[] {
  const { inks } = job;
  const before = known.get(component);
  if (before?.inks === inks && before?.works === works && before.machine === machine) return before.passes;
  const passes = placeInUnits(job, works, component, machine);
  known.set(component, { inks, works, machine, passes });
  return passes;
}

function placeInUnits(job: Unordered, works: Works, component: Component, machine: Machine): PassInks[] {
  const press = machine.press;
  if (!press) return [];
  const process = printingOf(machine);
  const school = inkSchoolOf(machine);
  const coatings = press.coatingUnits ?? 0;
  let before = component.unitsBefore;
  const passes = component.back.length === 0 ? (['front'] as const) : STYLE_RULES[component.workStyle].passes;
  const { samePlates } = STYLE_RULES[component.workStyle];
  return passes.map((pass, at): PassInks => {
    const now: string[] = Array.from({ length: press.units }, (_, unit) => before?.[unit] ?? '');
    const after = [...now];
    let proposal: readonly (readonly string[])[] = [];
    const inks = sidesIn(pass).flatMap((side): UnitInk[] => {
      const uses = component[side];
      const named = uses.map(({ name }) => ({ name, kind: inkOf(job, works, name).kind }));
      const ordered = orderInks(named, school, process, component.inkOrder?.[side]);
      const inCoater = ordered.filter(({ kind }) => kind === 'coating').slice(0, coatings);
      const printed = ordered.filter((ink) => !inCoater.includes(ink));
      const range = rangeOf(side, pass, press.units);
      const names = printed.map(({ name }) => name);
      const places = placeInks(names, range, now);
      if (!places && range.count > 0) proposal = passesFor(names, range.count);
      return ordered.map((ink): UnitInk => {
        const unit = inCoater.includes(ink) ? press.units + inCoater.indexOf(ink) : places?.[printed.indexOf(ink)];
        const had = unit === undefined ? '' : (now[unit] ?? '');
        if (unit !== undefined && unit < press.units) after[unit] = ink.name;
        const index = uses.findIndex(({ name }) => name === ink.name);
        return { ...ink, side, index, unit, washed: had !== '' && had !== ink.name };
      });
    });
    const again = samePlates && at > 0;
    if (before) before = after;
    const washed = again ? inks.map((ink) => ({ ...ink, washed: false })) : inks;
    return { side: pass, inks: washed, washUps: washed.filter((ink) => ink.washed).length, proposal };
  });
}

/** Wash-ups before a press pass. */
export function washUpsBefore(
  job: Unordered,
  works: Works,
  step: Step,
  { component, machine }: ComponentLayout,
): number {
  if (!component.unitsBefore) return 0;
  return unitsOf(job, works, component, machine).find(({ side }) => side === (step.side ?? 'front'))?.washUps ?? 0;
}

/** Inks of a job, and its stocks, that are not cleared for what the product touches. */
export function notCleared(job: Job, works: Works, contact: Contact): { inks: string[]; stocks: string[] } {
  const inks = inkNames(job).filter((name) => !inkOf(job, works, name).cleared?.includes(contact));
  const stocks = [...new Set(job.components.map(({ stock }) => stock))].flatMap((id) => {
    const stock = works.stocks.find((known) => known.id === id);
    return stock && !stock.cleared?.includes(contact) ? [stock.name] : [];
  });
  return { inks, stocks };
}

/** Coverage of an ink in zones over both sides of one plate: front and back where the work style prints them together. */
export function plateZones({ component }: ComponentLayout, side: 'front' | 'back', index: number): readonly number[] {
  const zones = component[side][index]?.zones ?? [];
  const name = component[side][index]?.name;
  if (!STYLE_RULES[component.workStyle].samePlates) return zones;
  const other: InkUse | undefined = component[side === 'front' ? 'back' : 'front'].find((ink) => ink.name === name);
  const others = other?.zones ?? [];
  const length = Math.max(zones.length, others.length);
  return Array.from({ length }, (_, i) => (zones[i] ?? 0) + (others[i] ?? 0));
}
