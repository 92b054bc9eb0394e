import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import type { FloorPromise } from '@druckerei/contract';
import { example } from '../job.fixture';
import { ReadyWays } from './ready-ways';

describe('when ways would be ready', () => {
  const job = example('trail-map');
  const promise: FloorPromise = {
    ready: '2026-12-04T10:00:00.000Z',
    late: false,
    inForce: false,
    chance: 0.92,
    sure: '2026-12-04T12:00:00.000Z',
    stations: [],
  };
  const jobs = ['a', 'b', 'c'].map((way) => ({ way, job }));

  it('asks of one after another, of none twice, and keeps on where one cannot be told', () => {
    TestBed.configureTestingModule({ providers: [provideHttpClient(), provideHttpClientTesting(), ReadyWays] });
    const [ways, http] = [TestBed.inject(ReadyWays), TestBed.inject(HttpTestingController)];
    ways.ask(7, jobs.slice(0, 2));
    http.expectOne('/api/jobs/7/promise').flush(promise);
    http.expectOne('/api/jobs/7/promise').flush({ title: 'no' }, { status: 422, statusText: 'no' });
    expect([...ways.told()]).toEqual([
      ['a', promise],
      ['b', null],
    ]);
    ways.ask(7, jobs);
    http.expectOne('/api/jobs/7/promise').flush(promise);
    expect([...ways.told().keys()]).toEqual(['a', 'b', 'c']);
    ways.forget();
    expect(ways.told().size).toBe(0);
    ways.ask(7, jobs);
    const open = http.expectOne('/api/jobs/7/promise');
    ways.forget();
    expect(open.cancelled).toBe(true);
    http.verify();
  });
});
