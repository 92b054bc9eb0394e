import { type NormLookup, normCatalogue } from '../norms/index.js';
import type { Works } from '../works/index.js';

interface Named {
  readonly id: string;
  readonly name: string;
}

/** What the norms say of things by their ids: `machine.<id>.<what>` and the like, read once for all of them. */
function saidOf(
  things: readonly Named[],
  kinds: readonly string[],
  works: Works,
  norms: NormLookup,
): Map<string, unknown[]> {
  const byId = new Map(things.map(({ id }) => [id, [] as unknown[]]));
  for (const norm of normCatalogue(works).keys()) {
    const kind = kinds.find((one) => norm.startsWith(`${one}.`));
    if (kind === undefined) continue;
    // An id may have points of its own.
    for (let end = norm.indexOf('.', kind.length + 1); ; end = norm.indexOf('.', end + 1)) {
      const id = norm.slice(kind.length + 1, end < 0 ? undefined : end);
      byId.get(id)?.push([kind, end < 0 ? '' : norm.slice(end), norms(norm).value]);
      if (end < 0) break;
    }
  }
  // What is told for one machine alone.
  for (const [norm, { value }] of Object.entries(works.norms)) {
    const [base = '', id = ''] = norm.split('@machine=');
    byId.get(id)?.push([base, value]);
  }
  return byId;
}

/** Presses that differ in their name alone are one twin, and stocks likewise: what runs on one is counted once. */
export interface Twins {
  readonly press: (id: string) => string;
  readonly stock: (id: string) => string;
}

/** The twins of a works. */
export function twinsOf(works: Works, norms: NormLookup): Twins {
  const classes = (things: readonly Named[], kinds: readonly string[]): ((id: string) => string) => {
    const said = saidOf(things, kinds, works, norms);
    const firsts = new Map<string, string>();
    const twins = new Map(
      things.map((thing) => {
        const letters = JSON.stringify([{ ...thing, id: '', name: '' }, said.get(thing.id)]);
        const first = firsts.get(letters) ?? thing.id;
        firsts.set(letters, first);
        return [thing.id, first];
      }),
    );
    return (id) => twins.get(id) ?? id;
  };
  return {
    press: classes(works.machines, ['machine']),
    stock: classes(works.stocks, ['stock', 'price.stock']),
  };
}
