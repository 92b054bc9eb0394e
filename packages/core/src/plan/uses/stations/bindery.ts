import { bookGlue } from '../../../job/index.js';
import type { StationOf } from '../../../route/index.js';
import { blockAndCover, stacked } from '../../../material/index.js';
import { type Use, type UseAt, mm, plain, overArea, sheetArea, type Uses, NOTHING } from './use-at.js';

/** Hot melt or PUR on the spine of a block. Source: handbook chapter 7 "Gluing". */
function bindUse({ job, incoming }: UseAt): readonly Use[] {
  const block = stacked(blockAndCover(incoming).block);
  return [
    {
      supply: bookGlue(job.finish),
      formula: 'units * block * length * thickness * density / 1000 / 1000',
      values: {
        block: mm($localize`Block`, (block?.caliperUm ?? 0) / 1000),
        length: mm($localize`Length of the spine`, block?.heightMm),
      },
      norms: { thickness: 'bind.meltThickness', density: 'bind.meltDensity' },
    },
  ];
}

/** Thread of a sewn block. Source: handbook chapter 7 "Sewn". */
const sewUse = ({ incoming: [first] }: UseAt): readonly Use[] => [
  {
    supply: 'thread',
    formula: 'units * sections * needles * stitch / 1000',
    values: { sections: plain($localize`Sections`, first?.material.sections ?? 0, 'sections') },
    norms: { needles: 'sew.needles', stitch: 'sew.stitch' },
  },
];

/** Stitches of a saddle-stitched copy. Source: common practice, no source. */
export const STITCHES = 2;
const stitchUse = ({ made }: UseAt): readonly Use[] => [
  {
    supply: 'wire',
    formula: 'units * stitches * (2 * thick + legs) / 1000',
    values: {
      stitches: plain($localize`Stitches`, STITCHES, 'stitches'),
      thick: mm($localize`Thickness of a copy`, (made?.caliperUm ?? 0) / 1000),
    },
    norms: { legs: 'bind.stitchLegs' },
  },
];
const spineUse = ({ incoming: [first] }: UseAt): readonly Use[] => [
  overArea(
    'glue',
    plain(
      $localize`Area of the spine`,
      ((first?.material.caliperUm ?? 0) / 1000) * (first?.material.heightMm ?? 0),
      'mm2',
    ),
  ),
];

/** Mull, lining paper and two headbands. Source: handbook chapter 2, family 5; overlap a norm. */
const lineUse = ({ incoming: [first] }: UseAt): readonly Use[] => {
  const thick = mm($localize`Thickness of the block`, (first?.material.caliperUm ?? 0) / 1000);
  return [
    {
      supply: 'lining',
      formula: 'units * 2 * (thick + 2 * overlap) / 1000 * height / 1000',
      values: { thick, height: mm($localize`Height of the block`, first?.material.heightMm) },
      norms: { overlap: 'line.overlap' },
    },
    { supply: 'headband', formula: 'units * 2 * thick / 1000', values: { thick }, norms: {} },
  ];
};

const caseUse = (at: UseAt): readonly Use[] => [
  overArea('paste', { ...sheetArea(at), name: $localize`Area of the cloth` }),
];
const caseInUse = ({ made }: UseAt): readonly Use[] => [
  overArea('paste', plain($localize`Both pasted endpapers`, 2 * (made?.widthMm ?? 0) * (made?.heightMm ?? 0), 'mm2')),
];

/** What these stations use up. Total: one that is forgotten does not compile. */
export const BINDERY_USES: Readonly<Record<StationOf['bindery'], Uses>> = {
  gather: NOTHING,
  sew: sewUse,
  spine: spineUse,
  stitch: stitchUse,
  kit: NOTHING,
  bind: bindUse,
  cool: NOTHING,
  split: NOTHING,
  trim: NOTHING,
  line: lineUse,
  case: caseUse,
  'case-in': caseInUse,
  press: NOTHING,
};
