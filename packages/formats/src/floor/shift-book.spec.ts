import ICAL from 'ical.js';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import type { FloorSlot } from '@druckerei/core';
import { readTable } from '../table/read-table.js';
import { floorCalendar } from './floor-calendar.js';
import { readCalendar } from './read-calendar.js';
import { type ShiftBook, shiftBookCsv, shiftBookPdf } from './shift-book.js';

const origin = Date.UTC(2026, 10, 30, 6, 0); // 07:00 in Berlin
const slot = (change: Partial<FloorSlot>): FloorSlot => ({
  job: 1,
  step: 'print',
  machine: 'press',
  place: null,
  start: 0,
  setUp: 35,
  end: 70,
  frozen: false,
  changes: [],
  washes: [],
  dear: 0,
  cause: { kind: 'release', job: null, step: null, held: null, minute: 0, hold: null },
  ...change,
});
const wash = { from: { unit: 0, name: 'K' }, to: { unit: 0, name: 'Reed green' } };
const slots = [
  slot({
    job: 2,
    start: 100,
    end: 1500,
    place: 'Press crew 1',
    changes: [
      { what: 'wash', times: 1, hours: 0.25 },
      { what: 'size', times: 1, hours: 0.15 },
    ],
    washes: [wash],
    cause: { kind: 'held', job: 1, step: 'cut', held: 'Press crew 1', minute: 100, hold: null },
  }),
  slot({ cause: { kind: 'held', job: 9, step: 'x', held: 'press', minute: 0, hold: null } }),
  slot({ step: 'dry', machine: null, start: 70, end: 310 }),
  slot({ step: 'cut', machine: 'gone', start: 310, end: 340 }),
];
const steps = ['print', 'dry', 'cut'].map((id) => ({ id, name: id, component: '', machines: [] }));
const book: ShiftBook = {
  works: 'Mill at the Weir',
  timeZone: 'Europe/Berlin',
  schedule: {
    id: 7,
    state: 'in force',
    by: 'Anna',
    at: '2026-11-29T18:00:00.000Z',
    plan: {
      origin,
      slots,
      through: [],
      late: [],
      never: [],
      unkept: [],
      judged: { late: 0, lateOrders: 0, setUp: 0, through: 0, unkept: 0 },
      bound: 0,
      evaluations: 0,
      seed: 1,
      rough: false,
    },
  },
  jobs: [
    { id: 1, number: 'J-1', title: '=1+1', due: null, steps },
    { id: 2, number: 'J-2', title: 'Map, folded', due: null, steps },
  ],
  machines: [
    { id: 'other', name: 'Other' },
    { id: 'press', name: 'Press, large' },
  ],
};

describe('the shift book', () => {
  it('as a table is read back as it was, in order of time, and runs nothing', () => {
    const text = shiftBookCsv(book);
    expect(text).toContain(`,"'=1+1",`);
    const { rows } = readTable(text, ',');
    expect(rows.slice(-3)).toEqual([
      ['Press, large', '2026-11-30 07:00', '2026-11-30 08:10', 'J-1', '=1+1', 'print', '35', '', '', ''],
      [
        'Press, large',
        '2026-11-30 08:40',
        '2026-12-01 08:00',
        'J-2',
        'Map, folded',
        'print',
        '35',
        'wash-up K to Reed green; other sheet size',
        'Press crew 1 is held by J-1, cut',
        'Press crew 1',
      ],
      ['gone', '2026-11-30 12:10', '2026-11-30 12:40', 'J-1', '=1+1', 'cut', '35', '', '', ''],
    ]);
  });

  it('in print has a page for every machine, its days, and what each station changes and waits for', async () => {
    const pdf = await getDocument({ data: new Uint8Array(await shiftBookPdf(book)), verbosity: 0 }).promise;
    expect(pdf.numPages).toBe(2);
    const { items } = await (await pdf.getPage(1)).getTextContent();
    const text = items.map((item) => ('str' in item ? item.str : '')).join(' ');
    for (const word of [
      'Press, large',
      'In force, Anna',
      '2026-11-30',
      '08:40',
      '12-01 08:00',
      'K to Reed green',
      'Press crew 1',
    ])
      expect(text.replace(/\s+/g, ' ')).toContain(word);
    const none = await shiftBookPdf({
      ...book,
      schedule: { ...book.schedule, plan: { ...book.schedule.plan, slots: [] } },
    });
    expect((await getDocument({ data: new Uint8Array(none), verbosity: 0 }).promise).numPages).toBe(1);
  });
});

describe('a schedule as a calendar', () => {
  const calendar = floorCalendar({ works: book.works, book });
  const events = new ICAL.Component(ICAL.parse(calendar) as unknown[]).getAllSubcomponents('vevent');
  it('has an event for every station on a machine, in UTC, with what it is and where (standard: RFC 5545)', () => {
    expect(events.map((one) => one.getFirstPropertyValue('uid'))).toEqual([
      '1-print@floor.druckerei',
      '2-print@floor.druckerei',
      '1-cut@floor.druckerei',
    ]);
    const [first] = events;
    expect(first?.getFirstPropertyValue('sequence')).toBe(7);
    expect(String(first?.getFirstPropertyValue('dtstart'))).toBe('2026-11-30T06:00:00Z');
    expect(String(first?.getFirstPropertyValue('dtend'))).toBe('2026-11-30T07:10:00Z');
    expect(first?.getFirstPropertyValue('summary')).toBe('J-1 print');
    expect(first?.getFirstPropertyValue('location')).toBe('Press, large');
  });
  it('has no events where nothing is in force', () => {
    expect(floorCalendar({ works: 'Mill' })).not.toContain('VEVENT');
  });
  it('has lines of no more than 75 octets with line ends as they are wanted', () => {
    for (const line of calendar.split('\r\n')) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
    expect(calendar.replace(/\r\n/g, '')).not.toContain('\n');
  });
  it('is read by our own reader as it was written', () => {
    const read = readCalendar(calendar, {
      timeZone: 'Europe/Berlin',
      from: '2026-11-01T00:00',
      until: '2027-11-01T00:00',
    });
    expect(read).toMatchObject({ ok: true, left: [] });
    expect(read.ok && read.stretches.map(({ from, until }) => [from, until])).toEqual([
      ['2026-11-30T07:00', '2026-11-30T08:10'],
      ['2026-11-30T08:40', '2026-12-01T08:00'],
      ['2026-11-30T12:10', '2026-11-30T12:40'],
    ]);
  });
});
