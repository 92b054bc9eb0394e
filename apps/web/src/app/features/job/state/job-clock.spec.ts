import { TestBed } from '@angular/core/testing';
import type { FloorPromise } from '@druckerei/contract';
import { hourText, timeText } from '../../../ui/format';
import { JobClock } from './job-clock';

describe('the clock of the stream', () => {
  const [start, end] = ['2026-12-04T08:00:00.000Z', '2026-12-04T10:30:00.000Z'];
  const station = { name: '', machine: null, on: null, start, end };
  const promise: FloorPromise = {
    ready: end,
    late: false,
    inForce: true,
    chance: 1,
    sure: end,
    stations: [
      { ...station, step: 'print', waits: 'for a trial of Deep red, not accepted' },
      { ...station, step: 'dry', waits: '' },
    ],
  };
  const print = { id: 'print', operation: 'print' } as const;

  it('tells when a station begins and what it waits for, until when another lies, nothing of what it does not know', () => {
    const clock = TestBed.configureTestingModule({ providers: [JobClock] }).inject(JobClock);
    clock.promise.set(promise);
    expect(clock.of()(print)).toBeUndefined();
    clock.inStream.set(true);
    expect(clock.of()(print)).toEqual({
      short: timeText(start),
      spoken: `, ${timeText(start)} to ${timeText(end)}, waits for a trial of Deep red, not accepted`,
    });
    expect(clock.of()({ id: 'dry', operation: 'dry' })?.short).toBe(`to ${hourText(end)}`);
    expect(clock.of()({ id: 'fold', operation: 'fold' })).toBeUndefined();
    clock.promise.set(null);
    expect(clock.of()(print)).toBeUndefined();
  });
});
