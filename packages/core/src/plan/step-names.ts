import type { Plan } from './plan.js';

/** What the stations of a plan are called: with their component where there are several, numbered where one comes again. */
export function stepNames(
  { steps }: Plan,
  components: readonly { readonly id: string; readonly name: string }[],
): ReadonlyMap<string, string> {
  const parts = new Map(components.length > 1 ? components.map(({ id, name }) => [id, name]) : []);
  const seen = new Map<string, number>();
  return new Map(
    steps.map(({ id, name, component }) => {
      const part = component === null ? undefined : parts.get(component);
      const full = part === undefined ? name : `${name}, ${part}`;
      const times = (seen.get(full) ?? 0) + 1;
      seen.set(full, times);
      return [id, times === 1 ? full : `${full}, ${times}`];
    }),
  );
}
