import type { NewReceipt, PurchaseOrder, Supplier } from '@druckerei/contract';

/** Suppliers of the demo works, and what they ask. Invented. */
export const DEMO_SUPPLIERS: readonly Supplier[] = [
  {
    name: 'Millrace Paper Merchants',
    reference: '40117',
    address: 'Sluice Yard 2\nGreywater',
    leadDays: 3,
    prices: [
      { item: 'paper/silk-115', price: 104, per: 100, measure: 'kg' },
      { item: 'paper/silk-115', price: 97, per: 100, measure: 'kg', from: 500 },
      { item: 'paper/silk-115', price: 91, per: 100, measure: 'kg', from: 2_000 },
      { item: 'paper/silk-135', price: 104, per: 100, measure: 'kg' },
      { item: 'paper/silk-135', price: 97, per: 100, measure: 'kg', from: 500 },
      { item: 'paper/offset-100', price: 93, per: 100, measure: 'kg' },
      { item: 'paper/offset-100', price: 86, per: 100, measure: 'kg', from: 1_000 },
    ],
  },
  {
    name: 'Alder & Reed Boards',
    reference: 'HPW',
    address: 'Kiln Street 8\nSilverthistle',
    leadDays: 7,
    note: 'Delivers on Tuesdays and Fridays.',
    prices: [
      { item: 'paper/silk-115', price: 99, per: 100, measure: 'kg' },
      { item: 'paper/offset-100', price: 89, per: 100, measure: 'kg', validUntil: '2027-03-31' },
    ],
  },
  {
    name: 'Peatbank Inks and Sundries',
    leadDays: 2,
    prices: [
      { item: 'ink/K', price: 7.8, per: 1, measure: 'unit' },
      { item: 'ink/C', price: 9.4, per: 1, measure: 'unit' },
      { item: 'ink/M', price: 9.4, per: 1, measure: 'unit' },
      { item: 'ink/Y', price: 9.1, per: 1, measure: 'unit' },
      { item: 'packing/box', price: 78, per: 100, measure: 'unit' },
      { item: 'packing/box', price: 69, per: 100, measure: 'unit', from: 500 },
      { item: 'packing/pallet', price: 8.6, per: 1, measure: 'unit' },
    ],
  },
];

type DemoPurchase = Omit<PurchaseOrder, 'supplier' | 'expected'> & {
  readonly supplier: string;
  /** Days from now until it is expected. */
  readonly days: number;
  readonly receipt?: Omit<NewReceipt, 'version'>;
};

/** Orders to them: one of which a part has come, one that is on its way. Invented. */
export const DEMO_PURCHASES: readonly DemoPurchase[] = [
  {
    number: 'P-26-031',
    supplier: 'Millrace Paper Merchants',
    days: 4,
    note: 'On pallets, grain marked.',
    lines: [
      {
        key: 'sheets/silk-135/1020x720/width',
        paper: { stock: 'silk-135', widthMm: 1020, heightMm: 720, grain: 'width' },
        quantity: 6_000,
        price: 577.02,
        jobs: [],
      },
    ],
    receipt: { note: 'D-7781', lines: [{ line: 0, quantity: 2_500, place: 'Bay 4' }] },
  },
  {
    number: 'P-26-032',
    supplier: 'Peatbank Inks and Sundries',
    days: 2,
    lines: [
      {
        key: 'packing/box',
        other: { kind: 'packing', name: 'Boxes', unit: 'pieces' },
        quantity: 500,
        price: 345,
        jobs: [],
      },
      { key: 'ink/K', other: { kind: 'ink', name: 'Ink K', unit: 'kg' }, quantity: 20, price: 156, jobs: [] },
    ],
  },
];
