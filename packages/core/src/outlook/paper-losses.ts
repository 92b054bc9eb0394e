import { type Figures, FigureBook, IDENTITY, valueAt } from '../kernel/index.js';
import type { Plan, PlanEdge } from '../plan/index.js';
import { figureId } from '../job/index.js';

/** Where paper goes that does not end in the product. */
export const LOSS_KINDS = ['set-up', 'running', 'incidents', 'samples', 'cut away', 'over'] as const;
/** One of the ways that paper goes. */
export type LossKind = (typeof LOSS_KINDS)[number];

/** Paper that does not reach the customer: where it goes, and why. */
export interface Loss {
  readonly step: string;
  readonly kind: LossKind;
  /** Units of the step that go this way; of samples and overs pieces that come out of it. */
  readonly units: number;
  readonly unit: string;
  readonly kg: number;
  /** Figure that says the kilograms. */
  readonly figure: string;
}

const kgOf = (edges: readonly PlanEdge[]): number =>
  edges.reduce((sum, { count, state }) => sum + (count * state.massG) / 1000, 0);
/** Less than a tenth of a gram is rounding of doubles. */
const WORTH_KG = 1e-4;

/**
 * Where the paper goes, most first: what comes into every step, and what it puts on, less what leaves it, by reason. All
 * together, and what is delivered, are what is bought and put on (identity; a test holds it).
 */
export function paperLosses(plan: Plan): {
  readonly losses: readonly Loss[];
  /** Paper that goes into the route. */
  readonly boughtKg: number;
  readonly figures: Figures;
} {
  const { steps, edges } = plan;
  const book = new FigureBook();
  const losses = steps.flatMap((step): Loss[] => {
    const [into, out] = [edges.filter(({ to }) => to === step.id), edges.filter(({ from }) => from === step.id)];
    const id = `step.${step.id}.lost`;
    const gain = step.gainG / 1000;
    const each = step.processUnits > 0 ? kgOf(into) / step.processUnits + gain : 0;
    const runs = Math.max(0, step.processUnits - step.setup);
    const incidents = (valueAt(plan, figureId.step(step.id, 'incidents')) ?? 0) * runs;
    const running = step.running * runs;
    const mass = book.give(`${id}.mass`, $localize`Weight of one ${step.unitIn}`, each, 'kg', IDENTITY);
    const part = (kind: LossKind, units: number, unit: string, kg: number, name: string): Loss[] => {
      if (kg <= WORTH_KG) return [];
      const figure = `${id}.${kind.replace(' ', '-')}`;
      const count = book.give(`${figure}.units`, name, units, unit, IDENTITY);
      const one = unit === step.unitIn && units > 0 && Math.abs(kg / units - each) < 1e-12 ? mass : undefined;
      if (one) book.reckon(figure, `${name}, ${step.name}`, kg, 'kg', 'units * mass', { units: count, mass: one });
      else
        book.reckon(figure, `${name}, ${step.name}`, kg, 'kg', 'units * mass', {
          units: count,
          mass: book.give(`${figure}.mass`, $localize`Weight of each`, units > 0 ? kg / units : 0, 'kg', IDENTITY),
        });
      return [{ step: step.id, kind, units, unit, kg, figure }];
    };
    const kinds = new Set(out.map(({ material }) => material));
    const massOut = [...kinds].reduce(
      (sum, material) => sum + (out.find((edge) => edge.material === material)?.state.massG ?? 0) / 1000,
      0,
    );
    const good = Math.max(0, runs - incidents - running);
    const made = step.yield * massOut;
    const parts = kinds.size === 1 && each - made > 1e-12;
    const cutAway = parts ? good * (each - made) : 0;
    const samples = step.samples * massOut;
    const spoiled = (step.setup + incidents + running) * each;
    const over = kgOf(into) + gain * step.processUnits - kgOf(out) - spoiled - samples - cutAway;
    return [
      ...part('set-up', step.setup, step.unitIn, step.setup * each, $localize`Set-up`),
      ...part('running', running, step.unitIn, running * each, $localize`Spoiled while running`),
      ...part('incidents', incidents, step.unitIn, incidents * each, $localize`Lost to incidents`),
      ...part('samples', step.samples, step.unitOut, samples, $localize`Samples`),
      ...part('cut away', good, step.unitIn, cutAway, $localize`Cut away`),
      ...part(
        'over',
        massOut > 0 ? over / massOut : 0,
        step.unitOut,
        over,
        kinds.size > 1 ? $localize`Cut away, and over` : $localize`Over, by rounding up`,
      ),
    ];
  });
  const boughtKg = kgOf(edges.filter(({ from }) => from === null));
  return { losses: losses.sort((a, b) => b.kg - a.kg), boughtKg, figures: book.figures };
}
