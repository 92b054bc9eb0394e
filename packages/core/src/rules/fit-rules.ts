import { caseFor, coverSheet, gluedSpineMm } from '../finishing/index.js';
import type { RuleId } from '../route/index.js';
import type { RouteFacts, Station } from './facts.js';
import type { Found } from './finding.js';
import { type Predicate, UM, tenth } from './predicate.js';

/** Less than this is within what a knife and a folder hold. Source: common practice, no source. */
const SLACK_MM = 0.5;

/** Thickness of what comes to a station, without the station that is left out, mm. */
const blockMm = ({ incoming }: Station, without?: string): number =>
  incoming
    .filter(({ from }) => without === undefined || from !== without)
    .reduce((sum, { material, usage }) => sum + material.caliperUm * usage, 0) / UM;

/** A finding where a component is laid with another width than its block wants, mended by that width. */
function widthFound({ job }: RouteFacts, step: string, componentId: string, wanted: number): Found[] {
  const at = job.components.findIndex(({ id }) => id === componentId);
  const laid = job.components[at]?.widthMm;
  if (laid === undefined || Math.abs(laid - wanted) <= SLACK_MM) return [];
  const mend = { kind: 'set', path: ['components', at, 'widthMm'], value: tenth(wanted) } as const;
  return [{ step, value: tenth(laid), limit: tenth(wanted), unit: 'mm', mend }];
}

/** The one-piece cover of a glued book: the flat piece that comes scored to the binder. */
const cover: Predicate = (facts) =>
  facts.stations.flatMap((station): Found[] => {
    const { job, norms } = facts;
    if (station.step.operation !== 'bind') return [];
    const scored = station.makers.find(
      ({ step, layout }) => step.operation === 'score' && layout?.component.kind === 'sheet',
    );
    const page = job.components.find(({ kind }) => kind === 'section');
    if (!scored?.layout || page?.widthMm === undefined || page.heightMm === undefined) return [];
    const spine = gluedSpineMm(
      blockMm(station, scored.step.id),
      scored.layout.caliperUm,
      norms('bind.coverCalipers').value,
    );
    const { widthMm } = coverSheet({ widthMm: page.widthMm, heightMm: page.heightMm }, norms('bind.trim').value, spine);
    return widthFound(facts, station.step.id, scored.layout.component.id, widthMm);
  });

/** Boards, strip and cloth of a case, laid as components of these names. */
const cased: Predicate = (facts) =>
  facts.stations.flatMap((station): Found[] => {
    const { job, norms, stations } = facts;
    const sew = stations.find(({ step }) => step.operation === 'sew');
    const page = job.components.find(({ kind }) => kind === 'section');
    const boardMm = job.finish?.boardMm;
    if (station.step.operation !== 'case' || !sew || boardMm === undefined) return [];
    if (page?.widthMm === undefined || page.heightMm === undefined) return [];
    const wanted = caseFor(
      {
        widthMm: page.widthMm,
        heightMm: page.heightMm,
        thicknessMm: blockMm(sew) * (1 + norms('sew.swell').value),
      },
      {
        squareMm: norms('case.square').value,
        jointMm: norms('case.joint').value,
        turnInMm: norms('case.turnIn').value,
        jointCalipers: norms('case.jointCalipers').value,
        boardMm,
      },
    );
    return (
      [
        ['board', wanted.boardWidthMm],
        ['strip', wanted.stripWidthMm],
        ['cloth', wanted.clothWidthMm],
      ] as const
    ).flatMap(([id, width]) => widthFound(facts, station.step.id, id, width));
  });

/** Rules about parts that follow the block that they go around. */
export const FIT_PREDICATES = {
  'cover-fits-block': cover,
  'case-fits-block': cased,
} as const satisfies Partial<Record<RuleId, Predicate>>;
