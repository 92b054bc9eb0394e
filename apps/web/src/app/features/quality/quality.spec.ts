import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { SHIPPED_WORKS } from '@druckerei/core';
import type { Faults, ReadingSeries, Readings } from '@druckerei/contract';
import { NEVER, of } from 'rxjs';
import { Api } from '../../platform/api';
import { Live } from '../../platform/live';
import { alarmText, chartsOf, driftText, rulesOf, signalText } from './charts';
import { FaultsPage } from './faults.page';
import { QualityApi } from './quality.api';
import { SamplingPage } from './sampling.page';

const AT = '2026-11-03T09:00:00.000Z';
const job = { id: 4, number: 'HB-4', title: 'Map' };
const station = { job, step: 'print', title: 'Print', machine: 'Big press' };
const series = (name: string, values: readonly number[], change: Partial<ReadingSeries> = {}): ReadingSeries => ({
  ...{ ...station, of: 'density', name, source: null, tolerance: { lower: 1.35, upper: 1.55 } },
  points: values.map((value, i) => ({ entry: i + 1, at: AT, sheet: (i + 1) * 500, value })),
  ...change,
});
const readings = (...all: readonly ReadingSeries[]): Readings => ({
  ...{ days: 90, series: [...all], runs: [], lots: [], left: 0 },
});
const steady = [1.45, 1.46, 1.44, 1.45, 1.46, 1.45, 1.44, 1.45, 1.46, 1.45, 1.44, 1.45];

describe('charts of what was measured', () => {
  it('put what is beyond the tolerance first, then what goes away, and the quiet ones last', () => {
    const away = steady.map((value, i) => value + Math.max(0, i - 5) * 0.012);
    const out = steady.map((value, i) => (i === 7 ? 1.6 : value));
    const charts = chartsOf(
      readings(series('K', steady), series('C', away), series('M', out)),
      'Western Electric 1956',
    );
    expect(charts.map(({ name }) => name)).toEqual(['Density M', 'Density C', 'Density K']);
    expect(charts.map(alarmText)).toEqual([
      '1 reading beyond the tolerance',
      expect.stringMatching(/goes away from sheet/),
      '',
    ]);
    const [, second, quiet] = charts;
    expect(second && driftText(second)).toMatch(
      /^Density C stood level until sheet 3,000 and went up from there: 0.069 by/,
    );
    expect(quiet && driftText(quiet)).toBe('');
    expect(charts[0]?.capability?.cpk).toBeGreaterThan(0);
  });

  it('are counted along readings where a sheet is missing, and not drawn of fewer than five', () => {
    const none = series('C', steady);
    const loose = {
      ...none,
      points: none.points.map((point, i) => ({ ...point, sheet: i === 3 ? null : point.sheet })),
    };
    const [chart] = chartsOf(readings(loose), 'Nelson 1984');
    expect(chart).toMatchObject({ along: 'Reading' });
    expect(chart?.x.slice(0, 3)).toEqual([1, 2, 3]);
    expect(chartsOf(readings(series('C', [1, 2, 3, 4])), 'Nelson 1984')).toEqual([]);
  });

  it('are drawn of what closed runs spoiled, machine by machine, in per cent', () => {
    const runs = [20, 25, 18, 22, 90, 21].map((found) => ({ ...station, closed: AT, found, of: 1_000, faults: 0 }));
    const [chart, ...others] = chartsOf({ ...readings(), runs }, 'Western Electric 1956');
    expect(chart).toMatchObject({ name: 'Spoiled while running', unit: '%', from: 'Big press, 6 runs' });
    expect(others).toEqual([]);
    expect(chart?.chart.points[4]).toBeCloseTo(9, 10);
    expect(chart?.signals.map((signal) => signalText(signal, chart))).toContain('beyond 3, at run 5');
  });

  it('are drawn of means and ranges of what is taken together, what is left waiting for its group', () => {
    const values = Array.from({ length: 27 }, (_, i) => 1.4 + ((i * 7) % 5) * 0.01);
    const [chart] = chartsOf(readings(series('C', values)), 'Western Electric 1956', 5);
    expect([chart?.chart.points.length, chart?.ranges?.points.length, chart?.readings]).toEqual([5, 5, 27]);
    expect(chart?.x).toEqual([500, 3_000, 5_500, 8_000, 10_500]);
    expect(chart?.chart.points[0]).toBeCloseTo(1.42, 10);
    expect(chart?.ranges?.points[0]).toBeCloseTo(0.04, 10);
    // Five groups at least: of fewer, limits say nothing.
    expect(chartsOf(readings(series('C', values)), 'Western Electric 1956', 6)).toEqual([]);
  });

  it('are drawn of faults seen in a thousand, and of faulty ones in lots, each by how much was looked at', () => {
    const runs = [1, 2, 0, 1, 9, 1].map((faults, i) => ({
      ...{ ...station, closed: AT, found: 0, of: i === 0 ? 4_000 : 1_000, faults },
    }));
    const lots = [0, 1, 0, 0, 2].map((found) => ({ ...station, machine: null, at: AT, found, of: 50 }));
    const charts = chartsOf({ ...readings(), runs, lots }, 'Western Electric 1956');
    const named = (name: string) => charts.find((one) => one.name === name);
    const seen = named('Faults seen');
    expect(seen).toMatchObject({ unit: 'in 1,000', from: 'Big press, 6 runs', along: 'Run' });
    expect(seen?.chart.points).toEqual([0.25, 2, 0, 1, 9, 1]);
    // u +- 3 sqrt(u / n): 14 in 9,000; four times as much looked at halves the deviation.
    expect(seen?.chart.limits[0]?.sigma).toBeCloseTo((seen?.chart.limits[1]?.sigma ?? 0) / 2, 10);
    expect(seen?.chart.limits[1]?.upper).toBeCloseTo(1000 * (14 / 9_000 + 3 * Math.sqrt(14 / 9_000 / 1_000)), 9);
    expect(seen?.signals.map(({ to }) => to)).toContain(4);
    expect(named('Faulty in lots')).toMatchObject({ unit: '%', from: 'Print, 5 lots', along: 'Lot' });
    expect(named('Faulty in lots')?.chart.points[4]).toBeCloseTo(4, 10);
  });

  it('tell an instrument apart from another that reads the same', () => {
    const both = [series('C', steady), series('C', steady, { source: 'Stand-in camera' })];
    const charts = chartsOf(readings(...both), 'Nelson 1984');
    expect(new Set(charts.map(({ key }) => key)).size).toBe(2);
    expect(charts.map(({ from }) => from)).toContain('HB-4 Map · Print, Big press, Stand-in camera');
  });

  it('know whose rules are whose', () => {
    expect(rulesOf('Western Electric 1956')).toHaveLength(4);
    expect(rulesOf('Nelson 1984')).toHaveLength(8);
  });
});

describe('pages of quality', () => {
  const line = { ...station, entry: 1, at: AT, station: 'Print', stock: 'Silk', shift: 'early', unit: 'sheet' };
  const faults: Faults = {
    ...{ days: 90, left: 0 },
    lines: [
      { ...line, reason: 'hickey', count: 30 },
      { ...line, entry: 2, reason: 'crease', count: 60, machine: null, station: 'Fold' },
      { ...line, entry: 3, reason: 'hickey', count: 10 },
    ],
  };
  const textOf = (host: HTMLElement): string => (host.textContent ?? '').replace(/\s+/g, ' ');
  beforeEach(() => {
    localStorage.setItem('druckerei.theme', 'light');
    TestBed.configureTestingModule({
      providers: [
        provideRouter([]),
        { provide: QualityApi, useValue: { faults: () => of(faults) } },
        { provide: Api, useValue: { works: () => of(SHIPPED_WORKS) } },
        { provide: Live, useValue: { on: () => NEVER } },
      ],
    });
  });

  it('add faults up, the largest first, and go back to the entries', async () => {
    const fixture = TestBed.createComponent(FaultsPage);
    await fixture.whenStable();
    const host = fixture.nativeElement as HTMLElement;
    const names = (): string[] =>
      [...host.querySelectorAll('[data-bar]')].map((one) => one.getAttribute('data-bar') ?? '');
    expect(names()).toEqual(['crease', 'hickey']);
    [...host.querySelectorAll('button')].find((one) => one.textContent.includes('2 entries'))?.click();
    await fixture.whenStable();
    expect(host.querySelectorAll('[aria-label="Entries of hickey"] tr')).toHaveLength(2);
    [...host.querySelectorAll('button')].find((one) => one.textContent.trim() === 'Machine')?.click();
    await fixture.whenStable();
    expect(names()).toEqual(['by hand', 'Big press']);
  });

  it('say what to look at, and what is wrong with a lot', async () => {
    const fixture = TestBed.createComponent(SamplingPage);
    await fixture.whenStable();
    const host = fixture.nativeElement as HTMLElement;
    expect(textOf(host)).toContain('Look at 80 of 1,000 pieces. Up to 2 may be faulty: with 3 the lot is refused');
    const lot = host.querySelector('input');
    if (!lot) throw new Error('no field');
    lot.value = '20';
    lot.dispatchEvent(new Event('input'));
    await fixture.whenStable();
    expect(textOf(host)).toContain('Letter C, by an arrow of the table the plan of E');
    lot.value = 'many';
    lot.dispatchEvent(new Event('input'));
    await fixture.whenStable();
    expect(host.querySelector('[role=alert]')?.textContent).toContain('Give a whole number of pieces');
  });
});
