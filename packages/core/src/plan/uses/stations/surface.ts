import type { StationOf } from '../../../route/index.js';
import type { Step, Tool, Unordered } from '../../../job/index.js';
import { NOTHING, type Use, type UseAt, type Uses, mm, overArea, plain, sheetArea } from './use-at.js';

/** Film as wide as the sheet, its overlap with it. Source: handbook chapter 7 "Film, coating, window". */
const filmUse = ({ incoming: [first] }: UseAt): readonly Use[] => [
  {
    supply: 'film',
    formula: 'units * width / 1000 * (length + overlap) / 1000',
    values: {
      width: mm($localize`Width of film`, first?.material.widthMm),
      length: mm($localize`Length of the sheet`, first?.material.heightMm),
    },
    norms: { overlap: 'film.overlap' },
  },
];

/** Dies that a station of foil or relief strikes with: of its own component, else of the job. */
export function strikingDie(
  { components }: Unordered,
  step: Step,
  kind: 'foil-die' | 'embossing-die',
): Tool | undefined {
  const own = components.filter(({ id }) => id === step.component);
  return [...own, ...components].flatMap(({ tools = [] }) => tools).find((tool) => tool.kind === kind);
}

/** Share of a piece that a die takes until it is measured. Source: common practice, no source. */
const UNMEASURED = 3;
/** Side of a die, mm: as measured, else a share of the piece's own. */
export const dieSide = (tool: Tool | undefined, side: 'widthMm' | 'heightMm', pieceMm: number): number =>
  tool?.[side] ?? pieceMm / UNMEASURED;

/** Foil drawn in strips, so much at a pull. Source: handbook chapter 7 "Foil, emboss". */
function foilUse({ job, step, layout, incoming: [first] }: UseAt): readonly Use[] {
  const tool = strikingDie(job, step, 'foil-die');
  const piece = layout?.piece ?? first?.material;
  const pieces = layout?.pattern.pieces ?? [];
  return [
    {
      supply: 'foil',
      formula: 'units * rows * (height + beyond) / 1000 * ceil(up / rows) * (width + 2 * side) / 1000',
      values: {
        up: plain($localize`Dies on the sheet`, Math.max(1, pieces.length), 'dies'),
        rows: plain($localize`Rows along the foil`, Math.max(1, new Set(pieces.map(({ yMm }) => yMm)).size), 'rows'),
        height: mm($localize`Die, along the foil`, dieSide(tool, 'heightMm', piece?.heightMm ?? 0)),
        width: mm($localize`Die, across the foil`, dieSide(tool, 'widthMm', piece?.widthMm ?? 0)),
      },
      norms: { beyond: 'foil.step', side: 'foil.side' },
    },
  ];
}

/** What these stations use up. Total: one that is forgotten does not compile. */
export const SURFACE_USES: Readonly<Record<StationOf['surface'], Uses>> = {
  laminate: filmUse,
  foil: foilUse,
  emboss: NOTHING,
  mount: (at) => [overArea('glue', sheetArea(at))],
};
