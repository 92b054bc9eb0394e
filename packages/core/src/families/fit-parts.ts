import { caseFor, gluedSpineMm } from '../finishing/index.js';
import { UM, tenth } from '../kernel/index.js';
import type { NormLookup } from '../norms/index.js';
import type { Job, Step } from '../job/index.js';
import { type Material, type Taken, blockAndCover, stacked, takenBy } from '../material/index.js';

/** A part that goes around a block, or to it, with the size that the block wants of it. Millimetres, trimmed. */
export interface WantedSize {
  /** Station that puts it there. */
  readonly step: string;
  readonly component: string;
  readonly widthMm: number;
  readonly heightMm: number;
}

type Incoming = (step: Step) => readonly Taken[];

/** A block as the trimmer will leave it. */
const trimmedSize = ({ widthMm, heightMm, trims, books }: Material): { widthMm: number; heightMm: number } => ({
  widthMm: widthMm - trims.foreMm - trims.spineMm,
  heightMm: heightMm / books - trims.headMm - trims.footMm,
});

/** Spine of the cover that a binder puts around what comes to it; undefined where no cover comes. */
export function spineOf(inputs: readonly Taken[], norms: NormLookup): number | undefined {
  const { block, cover } = blockAndCover(inputs);
  const made = stacked(block);
  if (!made || !cover) return undefined;
  return gluedSpineMm(made.caliperUm / UM, cover.caliperUm, norms('bind.coverCalipers').value);
}

/** A glued cover: two pages with their fore edge, the spine between them, as high as the block that is not trimmed yet. */
function coverWanted(step: Step, inputs: readonly Taken[], norms: NormLookup): WantedSize[] {
  const { block, cover } = blockAndCover(inputs);
  const made = stacked(block);
  const spine = spineOf(inputs, norms);
  if (!made || spine === undefined || cover?.component === undefined) return [];
  return [
    {
      step: step.id,
      component: cover.component,
      widthMm: 2 * (made.widthMm - made.trims.spineMm) + spine,
      heightMm: made.heightMm,
    },
  ];
}

/** Cloth, boards and strip of a case, from the block that it will be around. */
function caseWanted(job: Job, step: Step, incoming: Incoming, norms: NormLookup): WantedSize[] {
  const caseIn = job.route.find((one) => one.operation === 'case-in' && leadsTo(job, step.id, one));
  const block = caseIn && incoming(caseIn).find(({ material }) => !material.shell)?.material;
  const [cloth, ...boards] = incoming(step);
  const [board, strip] = [...boards].sort((a, b) => b.material.widthMm - a.material.widthMm);
  if (!block || !cloth || !board) return [];
  const measures = caseFor(
    { ...trimmedSize(block), thicknessMm: block.caliperUm / UM },
    {
      squareMm: norms('case.square').value,
      jointMm: norms('case.joint').value,
      turnInMm: norms('case.turnIn').value,
      jointCalipers: norms('case.jointCalipers').value,
      boardMm: job.finish?.boardMm ?? board.material.caliperUm / UM,
    },
  );
  const wanted = (taken: Taken | undefined, widthMm: number, heightMm: number): WantedSize[] =>
    taken?.material.component === undefined
      ? []
      : [{ step: step.id, component: taken.material.component, widthMm, heightMm }];
  return [
    ...wanted(board, measures.boardWidthMm, measures.boardHeightMm),
    ...wanted(strip, measures.stripWidthMm, measures.boardHeightMm),
    ...wanted(cloth, measures.clothWidthMm, measures.clothHeightMm),
  ];
}

/** Whether what a step makes comes to another along the route. */
function leadsTo({ route }: Job, from: string, to: Step, seen: readonly string[] = []): boolean {
  return takenBy(to).some(
    ({ material }) =>
      material === from ||
      route.some(
        (step) =>
          step.id === material && !seen.includes(step.id) && leadsTo({ route } as Job, from, step, [...seen, step.id]),
      ),
  );
}

/** An endpaper is a spread of its section, trims on. */
function endpaperWanted(job: Job, step: Step, incoming: Incoming): WantedSize[] {
  const [section, leaf] = incoming(step);
  const id = leaf?.material.component;
  const component = job.components.find((one) => one.id === id);
  if (!section || component?.kind !== 'sheet' || leaf?.material.leaves !== 2) return [];
  const { widthMm, heightMm } = section.material;
  return [{ step: step.id, component: component.id, widthMm: 2 * widthMm, heightMm }];
}

/**
 * Sizes that the parts of a bound product want: they follow from the block as its leaves, thread and endpapers make it.
 * @param incoming what comes to a step. Source: handbook chapter 7 "Binding" (rule of the trade).
 */
export const wantedSizes = (job: Job, incoming: Incoming, norms: NormLookup): WantedSize[] =>
  job.route.flatMap((step): WantedSize[] => {
    if (step.operation === 'bind') return coverWanted(step, incoming(step), norms);
    if (step.operation === 'case') return caseWanted(job, step, incoming, norms);
    return step.operation === 'tip' ? endpaperWanted(job, step, incoming) : [];
  });

/** The job with every such part as large as it has to be, to a tenth of a millimetre, as knives are set. */
export function withPartsFitted(job: Job, incoming: Incoming, norms: NormLookup): Job {
  const wanted = new Map(wantedSizes(job, incoming, norms).map((one) => [one.component, one]));
  return {
    ...job,
    components: job.components.map((component) => {
      const size = wanted.get(component.id);
      return size ? { ...component, widthMm: tenth(size.widthMm), heightMm: tenth(size.heightMm) } : component;
    }),
  };
}
