import type { Customer } from '@druckerei/contract';

/** Customers of the demo works, and where they are delivered to. Invented. */
export const DEMO_CUSTOMERS: readonly Customer[] = [
  {
    name: 'Lichtmoor Botanic Garden',
    reference: 'C-104',
    places: [
      { name: 'Garden shop', address: 'Gate at the Peat Bank, Lichtmoor', transitDays: 1 },
      { name: 'Seed house', address: 'Glasshouse Yard 3, Lichtmoor', transitDays: 1 },
    ],
    policy: { kind: 'percent', under: 0, over: 5 },
    artwork: 'PDF with 3 mm bleed; the green of the garden is a mixed colour, never of process inks.',
  },
  {
    name: 'Haldenbruck Observatory',
    reference: 'C-107',
    places: [{ name: 'Dome shop', address: 'Star Hill, Haldenbruck', transitDays: 0 }],
    policy: { kind: 'exact' },
    artwork: 'Large solids of black: wants a sheet of the press to be seen before the run.',
  },
  {
    name: 'Greywater Ferry',
    reference: 'C-088',
    places: [
      { name: 'North quay', address: 'Quay 1, Greywater', transitDays: 2 },
      { name: 'South quay', address: 'Quay 9, Greywater', transitDays: 2 },
    ],
    weight: 3,
    note: 'Timetables lie out on the day that they begin: a day late is a timetable late.',
  },
  {
    name: 'Silverthistle Tea House',
    reference: 'C-112',
    places: [{ name: 'Packing room', address: 'Kettle Lane 12, Silverthistle', transitDays: 1 }],
    policy: { kind: 'percent', under: 0, over: 5 },
    artwork: 'What tea touches is printed with inks cleared for food alone.',
  },
  { name: 'Weaselwood Games', reference: 'C-115', weight: 2, policy: { kind: 'percent', under: 2, over: 5 } },
  { name: 'Fernhollow Chamber Choir', reference: 'C-121', policy: { kind: 'percent', under: 0, over: 5 } },
  { name: 'Leafwork Interiors', reference: 'C-090' },
  { name: 'Wendelstieg Guides', reference: 'C-119', note: 'Orders single books as they are sold.' },
];

/** An order of several jobs, by their examples. Invented. */
export const DEMO_ORDER = {
  customer: 'Lichtmoor Botanic Garden',
  number: 'A-26-052',
  reference: 'Spring season',
  place: 'Garden shop',
  due: '2027-02-26',
  examples: ['trail-map', 'seed-packets', 'garden-cards'],
} as const;

/** An offer of a job at several quantities. Invented. */
export const DEMO_OFFER = {
  example: 'concert-programme',
  number: 'O-26-018',
  margin: 0.2,
  quantities: [1_500, 3_000, 6_000],
  days: 30,
} as const;
