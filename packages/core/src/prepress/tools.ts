import { type ComponentLayout, partsSheet } from '../press-sheet/index.js';
import type { Component, Tool, Unordered } from '../job/index.js';

/** What a tool is called. */
export const TOOL_NAMES: Readonly<Record<Tool['kind'], string>> = {
  'letterpress-die': $localize`Letterpress dies`,
  'foil-die': $localize`Foil dies`,
  'embossing-die': $localize`Embossing dies`,
  'embossing-roller': $localize`Embossing rollers`,
  'cutting-die': $localize`Cutting dies`,
  'numbering-box': $localize`Numbering boxes`,
};

/** Stations that a tool works at. */
export const TOOL_AT: Readonly<Record<Tool['kind'], readonly string[]>> = {
  'letterpress-die': ['print', 'overprint'],
  'foil-die': ['foil'],
  'embossing-die': ['emboss'],
  'embossing-roller': ['emboss'],
  'cutting-die': ['die-cut'],
  'numbering-box': ['number'],
};
/** Tools that take the sheet as a whole: not one for every piece on it. */
const WHOLE_SHEET: readonly Tool['kind'][] = ['embossing-roller', 'cutting-die'];

/** Dies and boxes that a component names, and the cutting die that a blank cannot do without. */
export function toolsOf(job: Unordered, component: Component): readonly Tool[] {
  const named = component.tools ?? [];
  const dieCut = job.route.some((step) => step.component === component.id && step.operation === 'die-cut');
  return dieCut && !named.some(({ kind }) => kind === 'cutting-die')
    ? [...named, { id: 'cutting-die', kind: 'cutting-die', name: $localize`Cutting die` }]
    : named;
}

/** Pieces that lie on what a tool's station takes: all of the sheet, or one once it has been parted. */
function positionsOf(
  { route }: Unordered,
  tool: Tool,
  component: Component,
  layout: ComponentLayout | undefined,
): number {
  if (!layout || WHOLE_SHEET.includes(tool.kind)) return 1;
  const lane = route.filter((step) => step.component === component.id);
  const parted = lane.findIndex((step) => partsSheet(step, layout));
  const station = lane.findIndex(({ operation }) => TOOL_AT[tool.kind].includes(operation));
  return station >= 0 && (parted < 0 || station < parted) ? Math.max(1, layout.pattern.count) : 1;
}

/** A tool of a component with how many of it are wanted, and how many counters they strike against. */
export interface ToolSet {
  readonly component: Component;
  readonly tool: Tool;
  readonly count: number;
  readonly counters: number;
}

/**
 * Tools of a job by position: one box, one die for each piece on the sheet, each die with its counter where it has one;
 * rollers come as a pair. As many as are told where the job tells. Source: identity, handbook chapter 4 "Image carriers".
 */
export const toolSets = (job: Unordered, layoutOf: (component: string) => ComponentLayout | undefined): ToolSet[] =>
  job.components.flatMap((component) =>
    toolsOf(job, component).map((tool): ToolSet => {
      const places = tool.kind === 'numbering-box' ? (tool.places ?? 1) : 1;
      const pair = tool.kind === 'embossing-roller' ? 2 : 1;
      const count = tool.count ?? positionsOf(job, tool, component, layoutOf(component.id)) * places * pair;
      return { component, tool, count, counters: tool.kind === 'embossing-die' && tool.counter === true ? count : 0 };
    }),
  );
