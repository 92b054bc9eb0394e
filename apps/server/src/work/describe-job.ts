import { type Component, type Job, type Works, measureSystem, own } from '@druckerei/core';
import { sizeWords } from '@druckerei/contract';
import type { Tongue } from '@druckerei/formats';

/** What a job makes, as a customer reads it: what kind of thing, and of each component its size, paper and colours. */
export function describeJob(
  { family, components }: Job,
  { stocks, measures }: Works,
  { words, number }: Tongue,
): string[] {
  const system = measureSystem(measures);
  const kind = own(words.kinds, family);
  const names = new Map(stocks.map(({ id, name }) => [id, name]));
  const colours = (side: Component['front']): string => (side.length === 0 ? words.noColour : String(side.length));
  const lines = components.map((component) => {
    const { name, stock, front, back } = component;
    // A length as it is: rounded where it was typed, not here.
    const size = sizeWords(component, system, { ...words, number: (value) => number(value, 0, 6) });
    const told = [size, names.get(stock) ?? stock, words.colours(colours(front), colours(back))];
    return `${name}: ${told.filter(Boolean).join(', ')}`;
  });
  return [...(kind === undefined ? [] : [kind]), ...new Set(lines)];
}
