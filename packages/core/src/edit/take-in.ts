import { type Component, type Die, type Job, type Tool } from '../job/index.js';
import type { Lab, RecipePart, Rest } from '../colour/index.js';

/** A part of a job that can take what was found without one. */
export interface JobPart {
  readonly id: string;
  readonly name: string;
}

const part = ({ id, name }: Component): JobPart => ({ id, name });
const PROCESS = new Set(['K', 'C', 'M', 'Y']);

/** Blanks of a job. */
export const blanksOf = ({ components }: Job): JobPart[] => components.filter(({ kind }) => kind === 'blank').map(part);

/** Gives a blank another shape. @param shape with its size, millimetres: of the opening for structures, of the drawing for others */
export const withBlank = (
  job: Job,
  component: string,
  shape: { readonly die: Die; readonly widthMm: number; readonly heightMm: number },
): Job => ({
  ...job,
  components: job.components.map((one) => (one.id === component ? { ...one, ...shape } : one)),
});

/** Inks of a job that are mixed, or are none of the process inks and not told what they are. */
export function mixedInks({ components, inks = [] }: Job): JobPart[] {
  const told = new Map(inks.map(({ name, kind }) => [name, kind]));
  const printed = components.flatMap(({ front, back }) => [...front, ...back]).map(({ name }) => name);
  const isMixed = (name: string): boolean => (told.get(name) ?? (PROCESS.has(name) ? 'process' : 'mixed')) === 'mixed';
  return [...new Set([...told.keys(), ...printed])].filter(isMixed).map((name) => ({ id: name, name }));
}

/** Tells how an ink is mixed and judged. @param mix parts add up to 100; rests in kg; tolerance as CIEDE2000 */
export function withMix(
  job: Job,
  ink: string,
  mix: {
    readonly recipe: readonly RecipePart[];
    readonly rests: readonly Rest[];
    readonly aim: Lab;
    readonly tolerance: number;
  },
): Job {
  const { inks = [] } = job;
  const known = inks.some(({ name }) => name === ink);
  return {
    ...job,
    inks: known
      ? inks.map((one) => (one.name === ink ? { ...one, ...mix } : one))
      : [...inks, { name: ink, kind: 'mixed', ...mix }],
  };
}

/** Components of a job that are numbered. */
export const numberedParts = ({ components }: Job): JobPart[] =>
  components.filter(({ tools = [] }) => tools.some(({ kind }) => kind === 'numbering-box')).map(part);

/** How a component is numbered. */
export type Numbering = Pick<
  Tool,
  'start' | 'step' | 'digits' | 'prefix' | 'checkSystem' | 'skips' | 'voids' | 'lowestOnTop'
>;

/** Sets the numbering boxes of a component. */
export const withNumbering = (job: Job, component: string, numbering: Numbering): Job => ({
  ...job,
  components: job.components.map((one) =>
    one.id === component
      ? {
          ...one,
          tools: one.tools?.map((tool) => (tool.kind === 'numbering-box' ? { ...tool, ...numbering } : tool)),
        }
      : one,
  ),
});
