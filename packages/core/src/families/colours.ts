import type { Component, InkUse, Job } from '../job/index.js';
import { withWorkStyle } from '../edit/index.js';

/** Process inks in the order in which a job of few colours takes them. Source: common practice, no source. */
const PROCESS = ['K', 'C', 'M', 'Y'] as const;

/** So many inks: black alone for one, the process inks, then spot inks by number. */
function inksOf(count: number): InkUse[] {
  const process = PROCESS.slice(0, Math.min(count, PROCESS.length)).map((name) => ({ name }));
  return [
    ...process,
    ...Array.from({ length: Math.max(0, count - PROCESS.length) }, (_, i) => ({ name: $localize`Spot ${i + 1}` })),
  ];
}

const isPrinted = ({ front, back, kind }: Component): boolean => kind !== 'gang' && front.length + back.length > 0;

/**
 * A job whose printed components carry so many colours a side; what nobody prints stays as it is, and what has no back
 * is printed on one side. Pages of sections lie on both sides, so a back of none leaves theirs.
 */
export function withColours(job: Job, { front, back }: { readonly front: number; readonly back: number }): Job {
  return job.components.filter(isPrinted).reduce((made, { id, kind, workStyle, back: had }) => {
    const keepsBack = kind === 'section' && back === 0;
    const one = had.length === 0 || (back === 0 && !keepsBack);
    const style = one ? 'single' : workStyle;
    const styled = style === workStyle ? made : withWorkStyle(made, id, style);
    const components = styled.components.map((component) =>
      component.id === id
        ? {
            ...component,
            front: inksOf(front),
            back: one ? [] : keepsBack ? component.back : inksOf(back),
          }
        : component,
    );
    return { ...styled, components };
  }, job);
}
