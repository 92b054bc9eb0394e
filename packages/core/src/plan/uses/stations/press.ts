import type { StationOf } from '../../../route/index.js';
import { coverageOf, inksOf } from '../../../material/index.js';
import { NOTHING, type Use, type UseAt, type Uses, plain } from './use-at.js';

/** Coating over what is printed, with one fill of its unit. Source: handbook chapter 5 "How much ink". */
const coatUse = ({ layout, incoming: [first] }: UseAt): readonly Use[] => [
  {
    supply: 'coating',
    formula: 'units * area * film / 1000 + fill',
    values: {
      area: plain(
        $localize`Area that is coated`,
        layout?.printedAreaM2 ?? ((first?.material.widthMm ?? 0) * (first?.material.heightMm ?? 0)) / 1e6,
        'm2',
      ),
    },
    norms: { film: 'ink.film.coating', fill: 'ink.fill' },
  },
];

/** Anti-set-off powder where it is dusted on. Source: practice (more on heavier sheets and coverage). */
function printUse({ step, layout, norms }: UseAt): readonly Use[] {
  if (step.powder !== true || !layout) return [];
  const covered = Math.max(
    0,
    ...inksOf(step, layout).map((inks) => inks.reduce((sum, ink) => sum + coverageOf(ink, norms), 0)),
  );
  return [
    {
      supply: 'powder',
      formula: 'units * area * film * coverage / 1000',
      values: {
        area: plain(
          $localize`Area of a sheet`,
          (layout.component.sheet.widthMm * layout.component.sheet.heightMm) / 1e6,
          'm2',
        ),
        coverage: plain($localize`Coverage of all inks together`, covered, 'share'),
      },
      norms: { film: 'powder.gsm' },
    },
  ];
}

/** Powder over fresh print, melted. */
function raiseUse({ layout, norms }: UseAt): readonly Use[] {
  if (!layout) return [];
  const covered = layout.component.front.reduce((sum, ink) => sum + coverageOf(ink, norms), 0);
  return [
    {
      supply: 'raise-powder',
      formula: 'units * area * film * coverage / 1000',
      values: {
        area: plain($localize`Printed area of a side`, layout.printedAreaM2, 'm2'),
        coverage: plain($localize`Coverage of all inks together`, covered, 'share'),
      },
      norms: { film: 'raise.gsm' },
    },
  ];
}

/** What these stations use up. Total: one that is forgotten does not compile. */
export const PRESS_USES: Readonly<Record<StationOf['press'], Uses>> = {
  corrugate: NOTHING,
  print: printUse,
  dry: NOTHING,
  overprint: printUse,
  raise: raiseUse,
  coat: coatUse,
};
