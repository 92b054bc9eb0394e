import type { Figure, Figures } from './figure.js';
import type { Ledger } from './ledger.js';

interface WithFigures {
  readonly figures: Figures;
}

const ledgers = new WeakMap<WithFigures, Ledger>();

/** Keeps what the figures of a plan are written from, so that one can be opened without writing all. */
export function keepLedger(plan: WithFigures, ledger: Ledger): void {
  ledgers.set(plan, ledger);
}

/** One figure of a plan with its working; undefined where it has none of that id. The same as `plan.figures[id]`. */
export function figureOf(plan: WithFigures | null | undefined, id: string): Figure | undefined {
  const ledger = plan && ledgers.get(plan);
  return ledger ? ledger.figure(id) : plan?.figures[id];
}

/** The value of one figure of a plan. */
export function valueAt(plan: WithFigures | null | undefined, id: string): number | undefined {
  const ledger = plan && ledgers.get(plan);
  return ledger ? ledger.value(id) : plan?.figures[id]?.value;
}
