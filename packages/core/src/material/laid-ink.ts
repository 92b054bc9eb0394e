import { usualDrying } from '../press/index.js';
import type { NormLookup } from '../norms/index.js';
import { type Works, printingOf } from '../works/index.js';
import { type ComponentLayout, webOf } from '../press-sheet/index.js';
import { inkOf } from '../prepress/index.js';
import type { InkUse, Job, Step } from '../job/index.js';
import type { Wet } from './wet.js';

/** Inks that a pass lays, by side. */
export function inksOf(step: Step, { component }: ComponentLayout): readonly (readonly InkUse[])[] {
  if (step.operation === 'overprint') return [step.inks ?? []];
  if (step.side === 'both') return [component.front, component.back];
  return [step.side === 'back' ? component.back : component.front];
}

const mean = (values: readonly number[]): number => values.reduce((a, b) => a + b, 0) / Math.max(1, values.length);

/** Coverage of one ink: the mean of its zones where there are any, else what the job says, else the house's norm. */
export const coverageOf = ({ zones, coverage }: InkUse, norms: NormLookup): number =>
  zones && zones.length > 0 ? mean(zones) : (coverage ?? norms('ink.coverage').value);

/**
 * What a press pass leaves wet: the inks of its heavier side, each by how it dries. Nothing where all are dry at the
 * delivery. Source: handbook chapter 5 "Drying and handling".
 */
export function laidInk(
  job: Job,
  works: Works,
  step: Step,
  layout: ComponentLayout,
  norms: NormLookup,
): readonly Wet[] {
  const usual = usualDrying(printingOf(layout.machine), webOf(layout.machine) !== undefined);
  const dryingOf = ({ name }: InkUse) => inkOf(job, works, name).drying ?? usual;
  const sides = inksOf(step, layout);
  const kinds = new Set(sides.flat().map(dryingOf));
  // A pass that says nothing of its inks lays the usual ones.
  if (kinds.size === 0 && step.operation === 'overprint') kinds.add(usual);
  return [...kinds].flatMap((drying): Wet[] => {
    if (drying !== 'oxidative' && drying !== 'fast-setting') return [];
    const coverage = Math.max(
      ...sides.map((inks) =>
        inks.filter((ink) => dryingOf(ink) === drying).reduce((sum, ink) => sum + coverageOf(ink, norms), 0),
      ),
    );
    return [
      {
        kind: 'ink',
        drying,
        coverage,
        heavy: coverage >= norms('dry.heavyFrom').value,
        coated: layout.stock.coated,
        powder: step.powder === true,
        since: step.id,
        lainHours: 0,
        stood: false,
      },
    ];
  });
}
