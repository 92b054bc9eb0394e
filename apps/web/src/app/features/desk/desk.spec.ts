import type { DeskLine } from '@druckerei/contract';
import { besideText, daysOf, matterText, noteText, settledAt } from './desk-words';

const line: DeskLine = {
  key: 'artwork/1',
  kind: 'artwork',
  job: { id: 1, number: 'J-1', title: 'Map', customer: 'Guides' },
  step: 'Print, Map',
  machine: null,
  of: 'Map',
  by: '2026-12-01T09:40:00.000Z',
  costs: 0,
  expected: null,
  wanted: null,
  count: null,
  minutes: null,
  day: null,
  help: null,
  note: null,
};
const now = Date.parse('2026-12-01T07:00:00Z');
const zone = 'Europe/Berlin';

describe('sentences of the desk', () => {
  it.each<[Partial<DeskLine>, string]>([
    [{}, 'has no approved artwork of Map, and Print, Map waits for it'],
    [
      { kind: 'proof', day: '2026-11-25T09:00:00.000Z' },
      'has a proof of Map at the customer since 25 Nov 2026, and Print, Map waits for it',
    ],
    [{ kind: 'trial', of: 'Deep red', step: null }, 'has no accepted trial of Deep red'],
    [{ kind: 'carriers', count: 1, step: null }, 'wants 1 carrier made and inspected'],
    [
      { kind: 'paper', of: 'Offset 90 g' },
      'has too little paper, in the store and on order: Offset 90 g, and Print, Map waits for it',
    ],
    [
      { kind: 'delivery', of: 'P-1', day: '2026-11-28', count: 2 },
      'Order P-1 should have come on 28 Nov 2026: 2 lines still to come',
    ],
    [{ kind: 'late', minutes: 1500 }, 'will be 1 d 1 h late'],
    [
      { kind: 'short', expected: 950, wanted: 1000, count: 4 },
      '950 of 1,000 are expected, and 4 carriers still there: run what is missing before they go',
    ],
    [{ kind: 'let go', count: 4 }, 'asks nothing more of its 4 carriers: put away what is kept, and let the others go'],
    [{ kind: 'closed', machine: 'Big press', count: 1 }, 'Big press is closed while 1 station lies on it: plan anew'],
    [{ kind: 'plan', key: 'plan/none', count: 3 }, '3 released jobs have no schedule in force'],
    [{ kind: 'draft', day: '2026-12-04' }, 'is due on 4 Dec 2026 and not released'],
  ])('%j', (part, text) => {
    expect(matterText({ ...line, ...part })).toBe(text);
  });

  it('say by when on a day that is near, and what a day of waiting costs', () => {
    expect(besideText(line, now, zone)).toBe('By 10:40');
    expect(besideText({ ...line, costs: 90 }, now, zone)).toBe(
      'By 10:40. A day more makes it 1 h 30 late, by weight of its customer',
    );
    expect(besideText({ ...line, by: '2026-12-01T06:00:00.000Z' }, now, zone)).toBe('');
    expect(besideText({ ...line, by: '2026-12-03T09:00:00.000Z' }, now, zone)).toBe('');
    const help = {
      kind: 'job first',
      step: null,
      machine: null,
      won: 90,
      othersLate: 0,
      overtime: 0,
      rest: 0,
    } as const;
    expect(besideText({ ...line, kind: 'late', help }, now, zone)).toBe(
      'What helps most: the whole job goes first: 1 h 30 earlier',
    );
  });

  it('say what was said of it, and where it is settled', () => {
    const note = { state: 'given', until: null, to: 'Press operator', mine: false, by: 'Production manager' } as const;
    expect(noteText({ note })).toBe('Given to Press operator by Production manager');
    expect(noteText({ note: { ...note, mine: true } })).toBe('Given to you by Production manager');
    expect(noteText({ note: { ...note, state: 'put off', until: '2026-12-08' } })).toBe(
      'Put off to 8 Dec 2026 by Production manager',
    );
    expect(settledAt(line).link).toEqual(['/jobs', 1]);
    expect(settledAt({ ...line, kind: 'paper' }).link).toEqual(['/stores']);
    expect(settledAt({ ...line, kind: 'plan', job: null }).link).toEqual(['/floor']);
  });

  it('go by the day on the wall of the works: overdue is of today', () => {
    const of = (key: string, by: string | null): DeskLine => ({ ...line, key, by });
    const lines = [
      of('a', '2026-11-20T00:00:00.000Z'),
      // Half past midnight of the 2nd in the works.
      of('b', '2026-12-01T23:30:00.000Z'),
      of('c', '2026-12-05T12:00:00.000Z'),
      of('d', null),
    ];
    const days = daysOf(lines, { today: '2026-12-01', tomorrow: '2026-12-02', timeZone: zone });
    expect(days.map(({ name, lines: own }) => [name, own.map(({ key }) => key).join()])).toEqual([
      ['Today', 'a'],
      ['By tomorrow', 'b'],
      ['By 5 Dec 2026', 'c'],
      ['When there is time', 'd'],
    ]);
  });
});
