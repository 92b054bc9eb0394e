import { numberText, wordOf } from '../kernel/index.js';
import { type Component, type Job, partMaterial } from '../job/index.js';
import { type Plan, type PlanEdge, type PlanStep, alikeComponents } from '../plan/index.js';
import { OPERATION_RULES } from '../route/index.js';
import { type StreamLane, type StreamedPlan, lanesOfEnds, lanesShown, planShown, twinsOf } from './lanes.js';

/** What is marked at a station. */
export type StationMark = 'hard' | 'soft' | 'differs';

export interface StreamStation {
  readonly step: PlanStep;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  /** Thickness of the stream as it comes in and as it leaves. */
  readonly thickIn: number;
  readonly thickOut: number;
  /** Process units spoiled: at set-up, and while running. */
  readonly setupLost: number;
  readonly runningLost: number;
  /** Good pieces counted out of it so far. */
  readonly counted: number | undefined;
  /** The heaviest rule that it breaks. */
  readonly mark: StationMark | undefined;
  /** Bought parts that it takes in. */
  readonly takes: readonly string[];
}

export interface StreamBand {
  readonly id: string;
  readonly path: string;
  readonly count: number;
  readonly unit: string;
  readonly labelX: number;
  readonly labelY: number;
  /** Figure that the count is. */
  readonly figure: string;
}

export interface StreamEnd {
  readonly id: string;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly title: string;
  readonly lines: readonly string[];
}

/** The stream to draw: stations, the bands between them, paper at the left and the product at the right. */
export interface StreamModel {
  readonly width: number;
  readonly height: number;
  readonly stations: readonly StreamStation[];
  readonly bands: readonly StreamBand[];
  readonly terminals: readonly StreamEnd[];
  readonly lanes: readonly (StreamLane & { readonly y: number })[];
}

const STATION = 94;
const LAG = 34;
const LETTER = 6.4;
const END = 96;
const GAP = 46;
const LANE = 112;
/** Where many products leave, their lanes lie closer: nothing but their last steps stands there. */
const MANY_ENDS = 3;
const CLOSE_LANE = 86;
const TOP = 68;
const THIN = 9;
const THICK = 34;
const MARGIN = 8;

/** Whether something only lies there: drawn narrow, with its hours. */
export const isLag = ({ operation }: Pick<PlanStep, 'operation'>): boolean =>
  OPERATION_RULES[operation].time === 'lag' && operation !== 'outside';

/** Room for the name too, at the drawing's letter size. */
const widthOf = ({ operation, name }: PlanStep): number =>
  isLag({ operation }) ? LAG : Math.max(STATION, 12 + LETTER * name.length);

/** A band between two edges of the stream, as a closed path with a smooth run from one height to the other. */
function bandPath(x1: number, y1: number, thick1: number, x2: number, y2: number, thick2: number): string {
  const middle = (x1 + x2) / 2;
  const [a, b, c, d] = [y1 - thick1 / 2, y2 - thick2 / 2, y2 + thick2 / 2, y1 + thick1 / 2];
  return `M${x1} ${a} C${middle} ${a} ${middle} ${b} ${x2} ${b} L${x2} ${c} C${middle} ${c} ${middle} ${d} ${x1} ${d}Z`;
}

/** Left edges of the stations: each as far right as what it feeds allows, so that lanes meet where they join. */
function placeColumns(plan: StreamedPlan): { readonly lefts: ReadonlyMap<string, number>; readonly width: number } {
  const fromRight = new Map<string, number>();
  const steps = new Map(plan.steps.map((step) => [step.id, step]));
  const place = (step: PlanStep): number => {
    const known = fromRight.get(step.id);
    if (known !== undefined) return known;
    const after = plan.edges
      .filter(({ from }) => from === step.id)
      .flatMap(({ to }) => (to === null ? [] : (steps.get(to) ?? [])));
    const right = Math.max(MARGIN + END + GAP, ...after.map((next) => place(next) + widthOf(next) + GAP));
    fromRight.set(step.id, right);
    return right;
  };
  plan.steps.forEach(place);
  const farthest = Math.max(0, ...plan.steps.map((step) => (fromRight.get(step.id) ?? 0) + widthOf(step)));
  const width = farthest + GAP + END + MARGIN;
  return {
    lefts: new Map(plan.steps.map((step) => [step.id, width - (fromRight.get(step.id) ?? 0) - widthOf(step)])),
    width,
  };
}

/** Process units spoiled at a step, by kind; rounding is running's. */
export function lossesOf(step: PlanStep): { setupLost: number; runningLost: number } {
  if (step.processUnits === 0) return { setupLost: 0, runningLost: 0 };
  const good = Math.ceil((step.needsOut + step.samples) / step.yield);
  const setupLost = Math.min(step.setup, Math.max(0, step.processUnits - good));
  return { setupLost, runningLost: Math.max(0, step.processUnits - good - setupLost) };
}

/** What is shown of a stream, and the words at its ends. */
export interface StreamShown {
  /** Lanes that are alike and asked for each by itself, by the first component of them. */
  readonly open?: ReadonlySet<string>;
  /** Component of the chosen station. */
  readonly chosen?: string | null;
  /** What an end says; the count ordered where it is not told. */
  readonly end?: (end: PlanEdge) => { readonly title: string; readonly lines: readonly string[] };
  /** What the paper of a component says beside its name. */
  readonly paper?: (component: Component) => readonly string[];
  /** Last good count of a step. */
  readonly counts?: ReadonlyMap<string, number>;
  /** The heaviest rule that a step breaks, or that it differs from what it is held against. */
  readonly marks?: ReadonlyMap<string, StationMark>;
}

const ordered = ({ count }: PlanEdge): { title: string; lines: string[] } => ({
  title: $localize`Product`,
  lines: [numberText(count), wordOf('ordered')],
});

/**
 * Lays the stream out. A band's thickness tells how much more than the net runs in it, enlarged, so that the eye sees
 * where the paper goes; units change without changing it.
 */
export function streamModel(job: Job, whole: Plan, shown: StreamShown = {}): StreamModel {
  const { open = new Set(), chosen = null, end: product = ordered, paper = () => [] } = shown;
  const { counts = new Map<string, number>(), marks = new Map<string, StationMark>() } = shown;
  const partNames = new Map((job.parts ?? []).map(({ id, name }) => [partMaterial(id), name]));
  const components = lanesShown(job.components, alikeComponents(job, whole.steps), open, chosen);
  const plan = planShown(whole, components);
  const taken = (id: string): string[] =>
    whole.edges.flatMap(({ to, material }) => (to === id ? (partNames.get(material) ?? []) : []));
  const { lefts, width } = placeColumns(plan);
  const ends = plan.edges.filter(({ to }) => to === null);
  const twins = twinsOf(plan);
  // A lane that runs on two machines somewhere takes two rows.
  const rows = components.map(({ id }) =>
    plan.steps.some((step) => step.component === id && twins.has(step.id)) ? 2 : 1,
  );
  const rowCount = rows.reduce((sum, row) => sum + row, 0);
  const laneCount = Math.max(rowCount, ends.length, twins.size > 0 ? 2 : 1);
  const lane = ends.length > MANY_ENDS ? CLOSE_LANE : LANE;
  const joinY = TOP + ((laneCount - 1) * lane) / 2;
  const spread = (i: number, count: number): number => joinY + (i - (count - 1) / 2) * lane;
  const laneY = new Map(
    components.map(({ id }, i) => {
      const above = rows.slice(0, i).reduce((sum, row) => sum + row, 0);
      return [id, spread(above + ((rows[i] ?? 1) - 1) / 2, rowCount)];
    }),
  );
  const endY = lanesOfEnds(plan, ends);
  const byId = new Map(plan.steps.map((step) => [step.id, step]));
  const heights = new Map<string, number>();
  /** Lanes that join go on in the middle of where they came from. */
  const yOf = ({ id, component }: Pick<PlanStep, 'id' | 'component'>): number => {
    const known = heights.get(id);
    if (known !== undefined) return known;
    heights.set(id, joinY);
    const end = endY.get(id);
    const from = plan.edges.flatMap((edge) =>
      edge.to === id && edge.from !== null ? (byId.get(edge.from) ?? []) : [],
    );
    const feeding = from.map(yOf);
    const middle = feeding.length > 0 ? (Math.min(...feeding) + Math.max(...feeding)) / 2 : joinY;
    const own =
      component !== null ? (laneY.get(component) ?? joinY) : end === undefined ? middle : spread(end, ends.length);
    const y = own + ((twins.get(id) ?? 0) * lane) / 2;
    heights.set(id, y);
    return y;
  };
  const ratios = new Map(plan.steps.map((step) => [step.id, step.net > 0 ? step.processUnits / step.net : 1]));
  const most = Math.max(1.0001, ...ratios.values());
  const thick = (ratio: number): number => THIN + ((THICK - THIN) * Math.max(0, ratio - 1)) / (most - 1);
  const thickIn = (id: string): number => thick(ratios.get(id) ?? 1);
  const thickOut = (step: PlanStep): number => {
    const next = plan.edges.find(({ from }) => from === step.id)?.to;
    return next ? thickIn(next) : THIN;
  };
  const stations = plan.steps.map((step): StreamStation => ({
    step,
    x: lefts.get(step.id) ?? 0,
    y: yOf(step),
    width: widthOf(step),
    thickIn: thickIn(step.id),
    thickOut: thickOut(step),
    ...lossesOf(step),
    counted: counts.get(step.id),
    mark: marks.get(step.id),
    takes: taken(step.id),
  }));
  const leaving = plan.edges.map(({ from }) => from);
  const parts = new Set(leaving.filter((from, i) => from !== null && leaving.indexOf(from) !== i));
  const placed = new Map(stations.map((station) => [station.step.id, station]));
  const endX = width - MARGIN - END;
  const flowing = plan.edges.filter(({ material }) => !partNames.has(material));
  const bands = flowing.map((edge): StreamBand => {
    const [from, to] = [
      edge.from === null ? undefined : placed.get(edge.from),
      edge.to === null ? undefined : placed.get(edge.to),
    ];
    const y1 = from?.y ?? to?.y ?? joinY;
    const x1 = from ? from.x + from.width : MARGIN + END;
    const [x2, y2] = [to?.x ?? endX, to?.y ?? y1];
    const thick2 = to?.thickIn ?? THIN;
    const thick1 = from?.thickOut ?? thick2;
    // The lower of two machines has its counts below its band, where nothing crosses them.
    const below = twins.get(edge.to ?? '') === 1 || twins.get(edge.from ?? '') === 1;
    const label = parts.has(edge.from ?? '')
      ? // Where several products part, each count stands before the step that takes it.
        { labelX: x2 - GAP / 2, y: y2, thick: thick2 }
      : { labelX: Math.min((x1 + x2) / 2, x1 + GAP / 2), y: y1, thick: Math.max(thick1, thick2) };
    return {
      id: `${edge.from ?? ''}>${edge.to ?? edge.material}`,
      path: bandPath(x1, y1, thick1, x2, y2, thick2),
      count: edge.count,
      unit: edge.state.unit,
      labelX: label.labelX,
      labelY: label.y + (below ? label.thick / 2 + 14 : -label.thick / 2 - 6),
      figure: edge.figure,
    };
  });
  const firstSteps = flowing.filter(({ from }) => from === null);
  const terminals = [
    ...firstSteps.map(({ to, material }): StreamEnd => {
      const step = to === null ? undefined : byId.get(to);
      const component = job.components.find(({ id }) => id === step?.component);
      return {
        id: material,
        x: MARGIN,
        y: step ? yOf(step) : joinY,
        width: END,
        title: $localize`Paper`,
        lines: component === undefined ? [] : paper(component),
      };
    }),
    ...ends.map((edge): StreamEnd => {
      const step = edge.from === null ? undefined : byId.get(edge.from);
      return { id: edge.material, x: endX, y: step ? yOf(step) : joinY, width: END, ...product(edge) };
    }),
  ];
  const height = TOP + (laneCount - 1) * lane + (counts.size > 0 || partNames.size > 0 ? 60 : 50);
  return {
    width,
    height,
    stations,
    bands,
    terminals,
    lanes:
      components.length > 1 || components.some(({ alike }) => alike.length > 1)
        ? components.map((one) => ({ ...one, y: laneY.get(one.id) ?? joinY }))
        : [],
  };
}
