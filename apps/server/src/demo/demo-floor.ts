import { type FloorHours, type Job, dayAfter } from '@druckerei/core';

/** Small jobs beside the demo's own, made of its examples: invented, as many as crowd the floor. */
const NAMES = [
  'Heron',
  'Mill lane',
  'Lantern',
  'Orchard',
  'Weir',
  'Kestrel',
  'Juniper',
  'Harbour',
  'Foundry',
  'Meadow',
];
const KINDS = [
  { example: 'trail-map', noun: 'walking map', quantity: 18_000, customer: 'Wendelstieg Guides' },
  { example: 'concert-programme', noun: 'programme', quantity: 5_400, customer: 'Fernhollow Chamber Choir' },
  { example: 'constellation-cards', noun: 'cards', quantity: 18_000, customer: 'Haldenbruck Observatory' },
  { example: 'seed-packets', noun: 'seed packets', quantity: 48_000, customer: 'Lichtmoor Botanic Garden' },
  { example: 'tea-caddy', noun: 'tea caddy', quantity: 15_000, customer: 'Silverthistle Tea House' },
];
/** Jobs in all, and those that are not released yet. */
const JOBS = 30;
const DRAFTS = 5;
const FIRST_NUMBER = 600;
/** Days ahead that the first of them is due, and by which the others follow. */
const FIRST_DUE = 5;
const DUE_OVER = 14;

export interface FloorExample {
  readonly job: Job;
  readonly released: boolean;
}

/** The jobs that crowd the demo's floor. The last of them is due tomorrow, which nobody can do. @param today ISO 8601. */
export function floorExamples(exampleOf: (name: string) => Job, today: string): FloorExample[] {
  return Array.from({ length: JOBS }, (_, i): FloorExample => {
    const kind = KINDS[i % KINDS.length];
    if (!kind) throw new Error('no kind of job');
    const job = exampleOf(kind.example);
    const days = i === JOBS - 1 ? 1 : FIRST_DUE + ((i * 7) % DUE_OVER);
    return {
      job: {
        ...job,
        number: `HB-26-0${FIRST_NUMBER + i}`,
        title: `${NAMES[(i * 3) % NAMES.length] ?? ''} ${kind.noun}`,
        customer: kind.customer,
        due: dayAfter(today, days),
        order: { ...job.order, quantity: Math.round((kind.quantity * (6 + ((i * 5) % 9))) / 10 / 100) * 100 },
      },
      released: i >= DRAFTS,
    };
  });
}

/** What the crew of the bindery knows how to run. */
const BINDERY = [
  'guillotine-115',
  'scorer',
  'buckle-folder',
  'gatherer',
  'sewer',
  'stitcher',
  'binder',
  'trimmer',
  'numbering-press',
  'bander',
  'shrink-tunnel',
  'hand-bench',
];

/** Two shifts in the press room, one and a half in the bindery, two holidays and a repair. @param today ISO 8601. */
export function demoHours(today: string): FloorHours {
  const days = [1, 2, 3, 4, 5];
  const closed = (from: number, until: number, why: string) => ({
    from: `${dayAfter(today, from)}T00:00`,
    until: `${dayAfter(today, until)}T00:00`,
    opens: false,
    why,
  });
  return {
    press: [
      { days, from: '06:00', until: '14:00' },
      { days, from: '14:00', until: '22:00' },
    ],
    finishing: [
      { days, from: '06:00', until: '14:00' },
      { days, from: '14:00', until: '18:00' },
    ],
    machines: {},
    crews: [{ name: 'Bindery', places: 3, machines: BINDERY, shifts: [{ days, from: '06:00', until: '18:00' }] }],
    exceptions: [
      {
        crew: 'Bindery',
        places: 1,
        from: `${dayAfter(today, 4)}T00:00`,
        until: `${dayAfter(today, 5)}T00:00`,
        opens: false,
        why: 'one of the crew is at a course',
      },
      closed(9, 10, 'holiday of the town'),
      closed(16, 17, 'the works goes on its outing'),
      {
        machine: 'b1-perfector',
        from: `${dayAfter(today, 3)}T06:00`,
        until: `${dayAfter(today, 3)}T12:00`,
        opens: false,
        why: 'rollers are changed',
      },
    ],
  };
}
