import type { StationOf } from '../../../route/index.js';
import { measureDie } from '../../../diecut/index.js';
import { adhesiveAt } from '../adhesive.js';
import { type Use, type UseAt, mm, plain, BEAD, AREA, beads, overArea, type Uses } from './use-at.js';

/** Glue that a blank, or what has no drawing, is closed with: sealed board wants hot melt. Source: handbook chapter 7. */
function glueUse(at: UseAt): readonly Use[] {
  const { job, layout, incoming } = at;
  const { finish } = job;
  const { adhesive } = adhesiveAt(job, layout);
  const supply = adhesive === 'cold' ? 'glue' : adhesive;
  const area = layout?.die ? measureDie(layout.die).glueMm2 : 0;
  if (finish?.beadMm === undefined && area > 0)
    return [overArea(supply, plain($localize`Glued area of a blank`, area, 'mm2'))];
  const told = finish?.beadMm;
  return [beads(supply, mm($localize`Length of beads`, told ?? incoming[0]?.material.heightMm, told !== undefined))];
}

/** Seams and bottom of an envelope. Source: handbook chapter 7 "Envelopes". */
function envelopeUse({ layout, incoming }: UseAt): readonly Use[] {
  const { component } = layout ?? {};
  const side = component?.die?.kind === 'structure' ? component.die.depthMm : incoming[0]?.material.heightMm;
  const bottom = component?.widthMm ?? incoming[0]?.material.widthMm;
  return [
    {
      supply: 'glue',
      formula: 'units * (seam + bottom) * width * wet * density / 1000 / 1000',
      values: { seam: mm($localize`Side seam`, side), bottom: mm($localize`Bottom`, bottom) },
      norms: BEAD,
    },
  ];
}

const gumUse = ({ layout, incoming }: UseAt): readonly Use[] => [
  {
    supply: 'gum',
    formula: 'units * length * width * wet * density / 1000 / 1000',
    values: { length: mm($localize`Length of gum`, layout?.component.widthMm ?? incoming[0]?.material.widthMm) },
    norms: { ...AREA, width: 'gum.width' },
  },
];

/** Film piece = window + two glue margins each way. Source: handbook chapter 7. */
const windowUse = ({ job: { finish } }: UseAt): readonly Use[] =>
  finish?.windowMm
    ? [
        {
          supply: 'window-film',
          formula: 'units * (width + 2 * margin) / 1000 * (height + 2 * margin) / 1000',
          values: {
            width: mm($localize`Window, width`, finish.windowMm.widthMm, true),
            height: mm($localize`Window, height`, finish.windowMm.heightMm, true),
          },
          norms: { margin: 'window.glueMargin' },
        },
        beads('glue', mm($localize`Around the window`, 2 * (finish.windowMm.widthMm + finish.windowMm.heightMm))),
      ]
    : [];

const tipUse = ({ incoming: [first] }: UseAt): readonly Use[] => [
  beads('glue', mm($localize`Bead along the fold`, first?.material.heightMm)),
];

const rivetUse = (): readonly Use[] => [
  { supply: 'string', formula: 'units * length / 1000', values: {}, norms: { length: 'rivet.string' } },
];

/** What these stations use up. Total: one that is forgotten does not compile. */
export const BOX_USES: Readonly<Record<StationOf['box'], Uses>> = {
  window: windowUse,
  glue: glueUse,
  envelope: envelopeUse,
  gum: gumUse,
  rivet: rivetUse,
  tip: tipUse,
};
