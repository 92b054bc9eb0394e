import { type NormLookup, normCatalogue } from '../norms/index.js';
import type { Works } from '../works/index.js';

interface Named {
  readonly id: string;
  readonly name: string;
}

/** All that a thing of the works is, and what its norms say of it, in letters; what it is called left out. */
function lettersOf(thing: Named, kinds: readonly string[], works: Works, norms: NormLookup): string {
  const own = kinds.map((kind) => `${kind}.${thing.id}`);
  const values = [...normCatalogue(works).keys()].flatMap((id) => {
    const prefix = own.find((one) => id === one || id.startsWith(`${one}.`));
    return prefix === undefined ? [] : [[id.slice(prefix.length), norms(id).value]];
  });
  // What is told for this machine alone.
  const scope = `@machine=${thing.id}`;
  const apart = Object.entries(works.norms).flatMap(([id, { value }]) =>
    id.endsWith(scope) ? [[id.slice(0, -scope.length), value]] : [],
  );
  return JSON.stringify([{ ...thing, id: '', name: '' }, values, apart]);
}

/** Presses that differ in their name alone are one twin, and stocks likewise: what runs on one is counted once. */
export interface Twins {
  readonly press: (id: string) => string;
  readonly stock: (id: string) => string;
}

export function twinsOf(works: Works, norms: NormLookup): Twins {
  const classes = (things: readonly Named[], kinds: readonly string[]): ((id: string) => string) => {
    const twins = new Map(things.map((thing) => [thing.id, lettersOf(thing, kinds, works, norms)]));
    return (id) => twins.get(id) ?? id;
  };
  return {
    press: classes(works.machines, ['machine']),
    stock: classes(works.stocks, ['stock', 'price.stock']),
  };
}
