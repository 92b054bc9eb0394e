import { type ReadCalendar, readCalendar } from './read-calendar.js';

const window = { timeZone: 'Europe/Berlin', from: '2026-11-30T07:00', until: '2027-11-30T07:00' };
const calendar = (...lines: string[]): string =>
  ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//x//EN', ...lines, 'END:VCALENDAR'].join('\r\n');
const event = (...lines: string[]): string[] => ['BEGIN:VEVENT', 'UID:1', ...lines, 'END:VEVENT'];
const read = (...lines: string[]): ReadCalendar => readCalendar(calendar(...lines), window);
const stretches = (made: ReadCalendar): string[] =>
  made.ok ? made.stretches.map(({ from, until, why }) => `${from} ${until} ${why}`) : [made.problem];
const left = (made: ReadCalendar): readonly string[] => (made.ok ? made.left : [made.problem]);

describe('a calendar (standard: RFC 5545)', () => {
  it('whole days are those of the works, with or without an end', () => {
    expect(
      stretches(read(...event('DTSTART;VALUE=DATE:20261225', 'DTEND;VALUE=DATE:20261227', 'SUMMARY:Holidays'))),
    ).toEqual(['2026-12-25T00:00 2026-12-27T00:00 Holidays']);
    expect(stretches(read(...event('DTSTART;VALUE=DATE:20261231', 'SUMMARY:New year')))).toEqual([
      '2026-12-31T00:00 2027-01-01T00:00 New year',
    ]);
  });
  it('times come by UTC, by a zone of the world, by one of the file, or by no zone', () => {
    expect(stretches(read(...event('DTSTART:20261201T080000Z', 'DTEND:20261201T100000Z')))).toEqual([
      '2026-12-01T09:00 2026-12-01T11:00 ',
    ]);
    const zoned = event('DTSTART;TZID=America/New_York:20261201T080000', 'DURATION:PT2H');
    expect(stretches(read(...zoned))).toEqual(['2026-12-01T14:00 2026-12-01T16:00 ']);
    const own = [
      'BEGIN:VTIMEZONE',
      'TZID:Mill',
      'BEGIN:STANDARD',
      'DTSTART:19700101T000000',
      'TZOFFSETFROM:+0300',
      'TZOFFSETTO:+0300',
      'END:STANDARD',
      'END:VTIMEZONE',
    ];
    expect(stretches(read(...own, ...event('DTSTART;TZID=Mill:20261201T080000', 'DURATION:PT2H')))).toEqual([
      '2026-12-01T06:00 2026-12-01T08:00 ',
    ]);
    expect(stretches(read(...event('DTSTART:20261201T080000', 'DURATION:PT90M')))).toEqual([
      '2026-12-01T08:00 2026-12-01T09:30 ',
    ]);
  });
  it('follows rules within the year, with turns left out and moved, past the change of summer time', () => {
    const weekly = event(
      'DTSTART;TZID=Europe/Berlin:20200106T140000',
      'DTEND;TZID=Europe/Berlin:20200106T150000',
      'RRULE:FREQ=WEEKLY;UNTIL=20261222T000000Z',
      'EXDATE;TZID=Europe/Berlin:20261207T140000',
      'SUMMARY:Oiling',
    );
    const moved = [
      'BEGIN:VEVENT',
      'UID:1',
      'RECURRENCE-ID;TZID=Europe/Berlin:20261214T140000',
      'DTSTART;TZID=Europe/Berlin:20261215T100000',
      'DTEND;TZID=Europe/Berlin:20261215T120000',
      'SUMMARY:Oiling, moved',
      'END:VEVENT',
    ];
    expect(stretches(read(...weekly, ...moved))).toEqual([
      '2026-11-30T14:00 2026-11-30T15:00 Oiling',
      '2026-12-15T10:00 2026-12-15T12:00 Oiling, moved',
      '2026-12-21T14:00 2026-12-21T15:00 Oiling',
    ]);
    const monthly = read(...event('DTSTART:20260101T120000Z', 'DURATION:PT1H', 'RRULE:FREQ=MONTHLY'));
    expect(stretches(monthly)).toContain('2027-04-01T14:00 2027-04-01T15:00 ');
    expect(stretches(monthly)).toHaveLength(12);
  });
  it('takes what is told as busy, and leaves out what is free, cancelled, over or far away, and says so', () => {
    const busy = [
      'BEGIN:VFREEBUSY',
      'FREEBUSY:20261201T080000Z/PT4H,20261202T080000Z/20261202T090000Z',
      'FREEBUSY;FBTYPE=FREE:20261203T080000Z/PT4H',
      'END:VFREEBUSY',
    ];
    expect(stretches(read(...busy))).toEqual([
      '2026-12-01T09:00 2026-12-01T13:00 busy',
      '2026-12-02T09:00 2026-12-02T10:00 busy',
    ]);
    const others = read(
      ...event('DTSTART:20250101T080000Z', 'DURATION:PT1H'),
      ...event('DTSTART:20300101T080000Z', 'DURATION:PT1H'),
      ...event('DTSTART:20261201T080000Z', 'DURATION:PT1H', 'STATUS:CANCELLED'),
      ...event('DTSTART:20261201T080000Z', 'SUMMARY:Noon'),
    );
    expect(stretches(others)).toEqual([]);
    expect(left(others)).toEqual([
      '1 event is over already.',
      '1 event is more than a year away.',
      'Noon on 2026-12-01 has no length.',
    ]);
  });
  it('keeps what can be read beside what cannot', () => {
    const made = read(
      ...event('DTSTART:nonsense', 'SUMMARY:Wrong'),
      ...event('DTSTART;VALUE=DATE:20261225', 'SUMMARY:Right'),
      ...event('SUMMARY:Without a time'),
    );
    expect(stretches(made)).toEqual(['2026-12-25T00:00 2026-12-26T00:00 Right']);
    expect(left(made)).toHaveLength(2);
    expect(left(made).join(' ')).toMatch(/^Wrong cannot be read: .*Without a time cannot be read/s);
  });
  it.each([
    ['', /does not begin with BEGIN:VCALENDAR/],
    ['PK\u0003\u0004', /does not begin with BEGIN:VCALENDAR/],
    ['BEGIN:VCALENDAR\nEND:VCALENDAR', /has no events/],
    ['BEGIN:VCALENDAR\nBEGIN:VEVENT\nEND:VALARM\n', /cannot be read/],
    [
      calendar(...Array.from({ length: 5001 }, () => event('DTSTART:20261201T080000Z')).flat()),
      /5,001 events, and at most 5,000/,
    ],
    [`BEGIN:VCALENDAR\n${'X'.repeat(2_000_001)}`, /larger than 2 MB/],
    [
      calendar(...event('DTSTART:20261201T080000Z', 'DURATION:PT1S', 'RRULE:FREQ=MINUTELY')),
      /closes the works more than|has no length/,
    ],
  ])('that is none is told (%#)', (text, problem) => {
    const made = readCalendar(text, window);
    expect(made.ok ? made.left.join() : made.problem).toMatch(problem);
  });
  it('does not hang on a rule that never comes', () => {
    const made = read(
      ...event('DTSTART:20260101T080000Z', 'DURATION:PT1H', 'RRULE:FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=30'),
    );
    expect(made.ok).toBe(true);
  });
});
