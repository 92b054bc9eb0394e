import { instantOf, wallClock } from './zone.js';

const BERLIN = 'Europe/Berlin';
const utc = (text: string): number => Date.parse(text);

describe('times on the wall', () => {
  it.each([
    ['2026-01-15T08:00', '2026-01-15T07:00Z'],
    ['2026-07-15T08:00', '2026-07-15T06:00Z'],
    // The night of the change: 2 o'clock is left out in spring, and comes twice in autumn.
    ['2026-03-29T01:59', '2026-03-29T00:59Z'],
    ['2026-03-29T03:00', '2026-03-29T01:00Z'],
    ['2026-10-25T02:30', '2026-10-25T00:30Z'],
    ['2026-10-25T03:00', '2026-10-25T02:00Z'],
  ])('%s in Berlin', (wall, instant) => {
    expect(instantOf(wall, BERLIN)).toBe(utc(instant));
    expect(wallClock(utc(instant), BERLIN)).toBe(wall);
  });
  it('a time that is left out is one behind the change', () => {
    expect(wallClock(instantOf('2026-03-29T02:30', BERLIN), BERLIN)).toMatch(/T0[13]:30/);
  });
  it.each(['Asia/Kolkata', 'America/St_Johns', 'UTC', 'Pacific/Auckland'])(
    'every hour of a year goes there and back in %s',
    (zone) => {
      for (let hour = 0; hour < 366 * 24; hour += 7) {
        const ms = utc('2026-01-01T00:00Z') + hour * 3_600_000;
        const back = instantOf(wallClock(ms, zone), zone);
        // An hour that comes twice is told by its first.
        expect([0, 3_600_000]).toContain(ms - back);
      }
    },
  );
});
