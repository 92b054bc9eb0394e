import type { EndpointId } from './endpoints.js';

/** A flat job of one component, as little as a job file can say. */
const JOB = {
  format: 'druckerei-job',
  version: 1,
  number: 'SHOP-1001',
  title: 'Harbour map',
  customer: 'Greywater Ferry',
  family: 'flat',
  due: '2027-03-31',
  order: { quantity: 5000, plannedOvers: 0, policy: { kind: 'exact' } },
  school: 'step',
  components: [
    {
      id: 'map',
      name: 'Map',
      kind: 'sheet',
      widthMm: 420,
      heightMm: 297,
      stock: 'silk-115',
      sheet: { widthMm: 1020, heightMm: 720, grain: 'width' },
      press: 'b1-perfector',
      workStyle: 'perfecting',
      front: [{ name: 'K' }, { name: 'C' }, { name: 'M' }, { name: 'Y' }],
      back: [{ name: 'K' }],
    },
  ],
  route: [
    { id: 'print', operation: 'print', component: 'map', side: 'both' },
    { id: 'dry', operation: 'dry', component: 'map', from: [{ material: 'print' }] },
    { id: 'cut', operation: 'cut', component: 'map', from: [{ material: 'dry' }] },
    { id: 'box', operation: 'box', perPack: 1000, from: [{ material: 'cut' }] },
  ],
  norms: {},
};

/** An XJDF that asks for 5,000 brochures of 16 pages A5, in base64. */
const XJDF = [
  'PFhKREYgeG1sbnM9Imh0dHA6Ly93d3cuQ0lQNC5vcmcvSkRGU2NoZW1hXzJfMCIgSm9iSUQ9IlNIT1AtMTAwMiIgVHlwZXM9IlBy',
  'b2R1Y3QiIFZlcnNpb249IjIuMSI+PFByb2R1Y3RMaXN0PjxQcm9kdWN0IElEPSJwIiBBbW91bnQ9IjUwMDAiIElzUm9vdD0idHJ1',
  'ZSIgUHJvZHVjdFR5cGU9IkJyb2NodXJlIiBEZXNjcmlwdGl2ZU5hbWU9IkhhcmJvdXIgd2Fsa3MiPjxJbnRlbnQgTmFtZT0iTGF5',
  'b3V0SW50ZW50Ij48TGF5b3V0SW50ZW50IEZpbmlzaGVkRGltZW5zaW9ucz0iNDE5LjUzIDU5NS4yOCAwIiBQYWdlcz0iMTYiLz48',
  'L0ludGVudD48SW50ZW50IE5hbWU9Ik1lZGlhSW50ZW50Ij48TWVkaWFJbnRlbnQgTWVkaWFRdWFsaXR5PSJTaWxrIiBXZWlnaHQ9',
  'IjExNSIvPjwvSW50ZW50PjwvUHJvZHVjdD48L1Byb2R1Y3RMaXN0PjwvWEpERj4=',
].join('');

/** What is sent by programs, for those who write them: shown with the API, each held against what it takes. */
export const EXAMPLES: Partial<Readonly<Record<EndpointId, object>>> = {
  createJob: JOB,
  createJobs: { jobs: [JOB, { ...JOB, number: 'SHOP-1002', title: 'River map' }] },
  addCustomer: { name: 'Greywater Ferry', reference: '4711', locale: 'en-GB' },
  addCustomers: { customers: [{ name: 'Greywater Ferry' }, { name: 'Lichtmoor Botanic Garden', weight: 2 }] },
  addOrder: { number: 'B-2027-031', reference: 'Your order of 3 March', due: '2027-03-31', jobs: [12, 13] },
  enterCounts: {
    device: 'Counter of the folder',
    lines: [
      { job: 'SHOP-1001', station: 'Fold', at: '2027-03-29T14:05', good: 1200, spoiled: 35, reason: 'crease' },
      { job: 'SHOP-1001', station: 'box', at: '2027-03-29T15:10:00+02:00', good: 1000, spoiled: 0 },
    ],
  },
  readExchange: { file: XJDF },
  enterBook: {
    device: 'Counter of the folder',
    seen: 0,
    entries: [
      {
        uid: '7f0f1f9e-1b7e-4f0a-9f0b-2d7a3c1e5b60',
        at: '2027-03-29T12:05:00Z',
        late: true,
        event: { kind: 'good', step: 'fold', count: 1200 },
      },
    ],
  },
  countHoldings: {
    lots: [
      { paper: { stock: 'silk-115', widthMm: 1020, heightMm: 720, grain: 'width' }, quantity: 4200, place: 'Row 3' },
      { paper: { stock: 'silk-90', widthMm: 870 }, quantity: 2 },
    ],
    reason: 'Counted by a list',
  },
  addPurchase: {
    number: 'P-2027-008',
    supplier: 1,
    expected: '2027-03-18',
    lines: [{ key: 'rolls/silk-90/870', paper: { stock: 'silk-90', widthMm: 870 }, quantity: 2, jobs: [] }],
  },
  addProgram: { name: 'Web shop', role: 'planner', days: 365 },
  renewToken: { days: 365 },
};
