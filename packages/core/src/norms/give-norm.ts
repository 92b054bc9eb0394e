import type { Entry, Ledger } from '../kernel/index.js';
import type { NormLookup } from './resolve.js';
import type { NormScope } from './norm-scope.js';
import { titleOf } from './norm.js';

/** Gives a norm to the ledger under `norm.<id>`, told for a scope where the works does so. */
export function giveNorm(ledger: Ledger, norms: NormLookup, id: string, scope?: NormScope): Entry {
  const { norm, value, source, otherwise } = norms(id, scope);
  const group = ledger.group('norm');
  return group.find(norm.id) ?? group.give(norm.id, titleOf(norm), value, norm.unit, source, otherwise);
}
