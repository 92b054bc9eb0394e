import { SUPPLIES, type SupplyId, type Works, inUse, inkKey, paperPriceKey, supplyKey } from '../works/index.js';
import type { Need } from './needs.js';

/** Something that is bought again and again. */
export interface KnownItem {
  readonly key: string;
  readonly name: string;
  readonly unit: string;
}

/** Kinds of needs that are of one job alone: nobody keeps a price of them. */
const OF_ONE_JOB: readonly Need['kind'][] = ['tools', 'parts', 'outside'];

/** What a works may be sold: its papers in every size, what stations use up, and what its jobs need besides, by name. */
export function knownItems(works: Works, needs: readonly Need[]): KnownItem[] {
  const items = new Map<string, KnownItem>();
  const add = (item: KnownItem): unknown => items.has(item.key) || items.set(item.key, item);
  for (const { id, name, sheets } of inUse(works.stocks))
    add({ key: paperPriceKey(id), name: $localize`${name}, every size`, unit: sheets.length > 0 ? 'sheets' : 'rolls' });
  for (const { name } of inUse(works.inks ?? [])) add({ key: inkKey(name), name: $localize`Ink ${name}`, unit: 'kg' });
  for (const [id, { name, unit }] of Object.entries(SUPPLIES)) add({ key: supplyKey(id as SupplyId), name, unit });
  for (const { key, kind, name, unit } of needs) if (!OF_ONE_JOB.includes(kind)) add({ key, name, unit });
  return [...items.values()].sort((a, b) => a.name.localeCompare(b.name, 'en'));
}
