import { type ForecastBasis, forecastBasis } from '../outlook/index.js';
import { type Job, partMaterial } from '../job/index.js';
import { type Outcome, valueAt } from '../kernel/index.js';
import type { AccountRules } from '../accountable/index.js';
import type { SamplingRules } from '../book/index.js';
import { normsOf, samplingRules } from '../norms/index.js';
import { type OutcomeStep, stepNorms } from '../learn/index.js';
import { type Plan, type PlanEdge, type PlanStep, stepNames } from '../plan/index.js';
import { type Carrier, inkNames, listCarriers } from '../prepress/index.js';
import type { Works } from '../works/index.js';
import { paperKeyOf, paperNeed } from '../press-sheet/index.js';
import { partKey } from '../stores/index.js';
import { type PressWants, pressWants, wornBy } from './press-wants.js';

interface Planned {
  readonly job: Job;
  readonly plan: Plan;
  readonly works: Works;
}

/** What a carrier is to the gates. */
export type CardCarrier = Pick<
  Carrier,
  'id' | 'kind' | 'component' | 'ink' | 'side' | 'version' | 'name' | 'key' | 'owner' | 'life' | 'impressions'
> & {
  /** Stations that wear it. */
  readonly wornBy: readonly string[];
};

/** What a bought material is known by in the store, and how many of the store's units are in one of what comes to the station. */
export interface StoreShare {
  readonly key: string;
  readonly each: number;
}

/** A station as its book knows it. */
export interface CardStep extends OutcomeStep, Pick<PlanStep, 'component' | 'unitOut' | 'setupSpoils'> {
  /** Instruction of the planner. */
  readonly note: string | undefined;
  /** Samples that are to be taken. */
  readonly samplesWanted: number;
  /** What its press start asks for; undefined where it is no pass through a press. */
  readonly press: PressWants | undefined;
  /** What comes here: usage of each, the step that makes it (null: bought), and how many the plan hands over. */
  readonly takes: readonly (OutcomeStep['takes'][number] & {
    readonly from: string | null;
    readonly unit: string;
    /** Undefined where another station makes it, or the house does not keep it. */
    readonly store?: StoreShare | undefined;
  })[];
}

/** All that the gates, the book and the forecast ask of a planned job, as data that is kept with its revision. */
export interface RoomCard {
  readonly edition: number;
  readonly components: readonly { readonly id: string; readonly name: string; readonly stock: string }[];
  readonly inks: readonly string[];
  readonly carriers: readonly CardCarrier[];
  readonly steps: readonly CardStep[];
  /** Where its pieces are worth something. */
  readonly accountable?: AccountRules | undefined;
  /** What lots are looked at by. */
  readonly sampling: SamplingRules;
  /** Pieces that the plan aims at. */
  readonly target: number;
  readonly forecast: ForecastBasis;
}

/** Changes with what a card says: one of an edition before is made once more. */
export const CARD_EDITION = 3;

/** Where the store keeps what is bought for a station. */
function storeShare({ job, plan }: Planned, { component }: PlanStep, edge: PlanEdge): StoreShare | undefined {
  const part = job.parts?.find(({ id }) => partMaterial(id) === edge.material);
  if (part) return part.owner === 'customer' ? undefined : { key: partKey(job, part.id), each: 1 };
  const layout = component === null ? undefined : plan.layouts[component];
  const key = layout && paperKeyOf(layout);
  if (!key || edge.count <= 0) return undefined;
  const { figure } = paperNeed(layout);
  return { key, each: (valueAt(plan, figure) ?? 0) / edge.count };
}

/** What bought paper costs by the plan: of a component, or of all that a station may put together. */
function paperOf(plan: Plan, components: readonly string[]): number {
  return components.reduce((sum, id) => sum + (valueAt(plan, `cost.paper.${id}`) ?? 0), 0);
}

/** Currency for an hour of a station, machine and people. */
function hourCostOf(plan: Plan, { id, hours }: PlanStep): number {
  const cost = (valueAt(plan, `cost.machine.${id}`) ?? 0) + (valueAt(plan, `cost.people.${id}`) ?? 0);
  return hours > 0 ? cost / hours : 0;
}

function cardStep(planned: Planned, step: PlanStep, { graph }: ForecastBasis, press: PressWants | undefined): CardStep {
  const { job, plan, works } = planned;
  const inputs = graph.steps.find((one) => one.id === step.id)?.inputs ?? [];
  const takes = inputs.map(({ material, usage }) => {
    const edge = plan.edges.find((one) => one.to === step.id && one.material === material);
    const count = edge?.count ?? 0;
    const bought = edge?.from === null && step.component !== null && count > 0;
    const store = edge?.from === null ? storeShare(planned, step, edge) : undefined;
    return {
      material,
      usage,
      from: edge?.from ?? null,
      unit: edge?.state.unit ?? step.unitIn,
      count,
      cost: bought ? paperOf(plan, [step.component]) / count : 0,
      ...(store ? { store } : {}),
    };
  });
  const { id, name, component, operation, machine, unitIn, unitOut, setup, setupSpoils, running, needsOut } = step;
  const { processUnits, hours } = step;
  return {
    ...{ id, name, component, operation, machine, unitIn, unitOut, setup, setupSpoils, running, needsOut },
    ...{ processUnits, hours, yield: step.yield, press, takes },
    norms: stepNorms(plan, id),
    setUpHours: valueAt(plan, `step.${id}.setupHours`) ?? 0,
    hourCost: hourCostOf(plan, step),
    unitPaper:
      processUnits > 0
        ? paperOf(plan, component === null ? job.components.map((one) => one.id) : [component]) / processUnits
        : 0,
    title: stepNames(plan, job.components).get(step.id) ?? step.name,
    machineName: works.machines.find((one) => one.id === machine)?.name ?? null,
    samplesWanted: step.samples,
    note: job.route.find((one) => one.id === id)?.note,
  };
}

/** The card of a planned job. Issues: those of the plan. */
export function roomCard(job: Job, plan: Plan, works: Works): Outcome<RoomCard> {
  const basis = forecastBasis(job, works);
  if (!basis.ok) return basis;
  const carriers = listCarriers(job, plan, works);
  const norms = normsOf(works, job.norms ?? {});
  const steps = plan.steps.map((step) =>
    cardStep({ job, plan, works }, step, basis.value, pressWants({ job, works }, step, carriers)),
  );
  return {
    ok: true,
    value: {
      edition: CARD_EDITION,
      components: job.components.map(({ id, name, stock }) => ({
        ...{ id, name },
        stock: works.stocks.find((one) => one.id === stock)?.name ?? '',
      })),
      inks: inkNames(job),
      carriers: carriers.map((carrier) => {
        const { id, kind, component, ink, side, version, name, key, owner, life, impressions } = carrier;
        const worn = wornBy(carrier, plan.steps, job).map((step) => step.id);
        return { ...{ id, kind, component, ink, side, version, name, key, owner, life, impressions }, wornBy: worn };
      }),
      steps,
      ...(job.accountable ? { accountable: { ...job.accountable, pile: norms('account.pile').value } } : {}),
      sampling: samplingRules(norms),
      target: valueAt(plan, 'order.target') ?? job.order.quantity,
      forecast: basis.value,
    },
  };
}
