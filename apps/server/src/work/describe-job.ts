import { type Component, FAMILY_RULES, type Job, type Works, measureSystem, own } from '@druckerei/core';
import { sizeWords } from '@druckerei/contract';
import { tongueOf } from '@druckerei/formats';

/** A job, the works that it is made in, and the place of whom it is told, BCP 47. */
export interface Described {
  readonly job: Job;
  readonly works: Works;
  readonly locale: string | undefined;
}

/** What a job makes, as a customer reads it: what kind of thing, and of each component its size, paper and colours. */
export function describeJob({ job: { family, components }, works: { stocks, measures }, locale }: Described): string[] {
  const { number } = tongueOf(locale);
  const system = measureSystem(measures);
  const kind = own(FAMILY_RULES, family)?.name;
  const names = new Map(stocks.map(({ id, name }) => [id, name]));
  const colours = (side: Component['front']): string => (side.length === 0 ? $localize`none` : String(side.length));
  const lines = components.map((component) => {
    const { name, stock, front, back } = component;
    const size = sizeWords(component, system, (value, most) => number(value, 0, most));
    const told = [size, names.get(stock) ?? stock, $localize`colours ${colours(front)} / ${colours(back)}`];
    return `${name}: ${told.filter(Boolean).join(', ')}`;
  });
  return [...(kind === undefined ? [] : [kind]), ...new Set(lines)];
}
