/** What a station may use up beside paper, ink and bought parts: how it is called, counted and sold. */
export const SUPPLIES = {
  coating: { name: 'Water-based coating', unit: 'kg', price: 4.2 },
  film: { name: 'Laminating film', unit: 'm2', price: 0.16 },
  foil: { name: 'Stamping foil', unit: 'm2', price: 0.55 },
  'window-film': { name: 'Window film', unit: 'm2', price: 0.22 },
  powder: { name: 'Anti-set-off powder', unit: 'kg', price: 6 },
  'raise-powder': { name: 'Powder for raised print', unit: 'kg', price: 14 },
  thread: { name: 'Sewing thread', unit: 'm', price: 0.0015 },
  wire: { name: 'Stitching wire', unit: 'm', price: 0.012 },
  glue: { name: 'Cold glue', unit: 'kg', price: 2.8 },
  'hot-melt': { name: 'Hot melt', unit: 'kg', price: 4.5 },
  pur: { name: 'PUR', unit: 'kg', price: 11 },
  gum: { name: 'Seal gum', unit: 'kg', price: 3.6 },
  paste: { name: 'Case paste', unit: 'kg', price: 2.4 },
  lining: { name: 'Mull and lining paper', unit: 'm2', price: 0.9 },
  headband: { name: 'Headband', unit: 'm', price: 0.08 },
  string: { name: 'String for closures', unit: 'm', price: 0.03 },
  core: { name: 'Cores of consumer rolls', unit: 'pieces', price: 0.05 },
  band: { name: 'Bands', unit: 'pieces', price: 0.01 },
  'shrink-film': { name: 'Shrink film', unit: 'm2', price: 0.12 },
  box: { name: 'Boxes', unit: 'pieces', price: 0.85 },
  pallet: { name: 'Pallets', unit: 'pieces', price: 9 },
  'stretch-film': { name: 'Stretch film', unit: 'm2', price: 0.05 },
} as const satisfies Readonly<Record<string, { name: string; unit: 'kg' | 'm2' | 'm' | 'pieces'; price: number }>>;
/** One of the supplies. */
export type SupplyId = keyof typeof SUPPLIES;

/** Supplies that a finished product is packed in, beside what holds it together. */
export const PACKING: readonly SupplyId[] = ['band', 'shrink-film', 'box', 'pallet', 'stretch-film'];
