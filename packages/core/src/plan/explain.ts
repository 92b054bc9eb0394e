import { type Figure, type Figures, table } from '../kernel/index.js';

/** A figure with its inputs opened, down to the givens. */
export interface ExplainedFigure extends Omit<Figure, 'inputs'> {
  readonly inputs: Readonly<Record<string, ExplainedFigure>>;
}

/** Opens a figure down to the norms; undefined where the plan has no such figure. */
export function explain(figures: Figures, id: string): ExplainedFigure | undefined {
  const figure = figures[id];
  if (!figure) return undefined;
  const inputs = table<ExplainedFigure>();
  for (const [name, input] of Object.entries(figure.inputs)) {
    const opened = explain(figures, input);
    if (opened) inputs[name] = opened;
  }
  return { ...figure, inputs };
}
