import type { Component, Job, Tool } from './job.js';

/** What a tool is called. */
export const TOOL_NAMES: Readonly<Record<Tool['kind'], string>> = {
  'letterpress-die': 'Letterpress dies',
  'foil-die': 'Foil dies',
  'embossing-die': 'Embossing dies',
  'cutting-die': 'Cutting dies',
  'numbering-box': 'Numbering boxes',
};

/** Dies and boxes that a component names, and the cutting die that a blank cannot do without. */
export function toolsOf(job: Job, component: Component): readonly Tool[] {
  const named = component.tools ?? [];
  const dieCut = job.route.some((step) => step.component === component.id && step.operation === 'die-cut');
  return dieCut && !named.some(({ kind }) => kind === 'cutting-die')
    ? [...named, { id: 'cutting-die', kind: 'cutting-die', name: 'Cutting die' }]
    : named;
}

/** How many tools of each kind a job wants. */
export function toolKinds(job: Job): [Tool['kind'], number][] {
  const counts = new Map<Tool['kind'], number>();
  for (const { kind, count = 1 } of job.components.flatMap((component) => toolsOf(job, component)))
    counts.set(kind, (counts.get(kind) ?? 0) + count);
  return [...counts];
}
