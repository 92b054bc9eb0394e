/** What a station may use up beside paper, ink and bought parts: how it is called, counted and sold. */
export const SUPPLIES = {
  coating: { name: $localize`Water-based coating`, unit: 'kg', price: 4.2 },
  film: { name: $localize`Laminating film`, unit: 'm2', price: 0.16 },
  foil: { name: $localize`Stamping foil`, unit: 'm2', price: 0.55 },
  'window-film': { name: $localize`Window film`, unit: 'm2', price: 0.22 },
  powder: { name: $localize`Anti-set-off powder`, unit: 'kg', price: 6 },
  'raise-powder': { name: $localize`Powder for raised print`, unit: 'kg', price: 14 },
  thread: { name: $localize`Sewing thread`, unit: 'm', price: 0.0015 },
  wire: { name: $localize`Stitching wire`, unit: 'm', price: 0.012 },
  glue: { name: $localize`Cold glue`, unit: 'kg', price: 2.8 },
  'hot-melt': { name: $localize`Hot melt`, unit: 'kg', price: 4.5 },
  pur: { name: 'PUR', unit: 'kg', price: 11 },
  gum: { name: $localize`Seal gum`, unit: 'kg', price: 3.6 },
  paste: { name: $localize`Case paste`, unit: 'kg', price: 2.4 },
  lining: { name: $localize`Mull and lining paper`, unit: 'm2', price: 0.9 },
  headband: { name: $localize`Headband`, unit: 'm', price: 0.08 },
  string: { name: $localize`String for closures`, unit: 'm', price: 0.03 },
  core: { name: $localize`Cores of consumer rolls`, unit: 'pieces', price: 0.05 },
  band: { name: $localize`Bands`, unit: 'pieces', price: 0.01 },
  'shrink-film': { name: $localize`Shrink film`, unit: 'm2', price: 0.12 },
  box: { name: $localize`Boxes`, unit: 'pieces', price: 0.85 },
  pallet: { name: $localize`Pallets`, unit: 'pieces', price: 9 },
  'stretch-film': { name: $localize`Stretch film`, unit: 'm2', price: 0.05 },
} as const satisfies Readonly<Record<string, { name: string; unit: 'kg' | 'm2' | 'm' | 'pieces'; price: number }>>;
/** One of the supplies. */
export type SupplyId = keyof typeof SUPPLIES;

/** Supplies that a finished product is packed in, beside what holds it together. */
export const PACKING: readonly SupplyId[] = ['band', 'shrink-film', 'box', 'pallet', 'stretch-film'];
