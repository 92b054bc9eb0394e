import { type Component, type Job, type Works, FAMILY_RULES, measureSystem, own } from '@druckerei/core';
import { sizeWords } from '@druckerei/contract';

const colours = (side: Component['front']): string => (side.length === 0 ? 'none' : String(side.length));

/** What a job makes, as a customer reads it: what kind of thing, and of each component its size, paper and colours. */
export function describeJob({ family, components }: Job, { stocks, measures }: Works): string[] {
  const system = measureSystem(measures);
  const kind = own(FAMILY_RULES, family)?.name;
  const names = new Map(stocks.map(({ id, name }) => [id, name]));
  const lines = components.map((component) => {
    const { name, stock, front, back } = component;
    const size = sizeWords(component, system);
    const told = [size, names.get(stock) ?? stock, `colours ${colours(front)} / ${colours(back)}`];
    return `${name}: ${told.filter(Boolean).join(', ')}`;
  });
  return [...(kind === undefined ? [] : [kind]), ...new Set(lines)];
}
