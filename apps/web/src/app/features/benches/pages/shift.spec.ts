import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { Router, provideRouter } from '@angular/router';
import { AIM_SETS, bestShift, fitRegister, lostOf, makeShift, movesOf } from '@druckerei/core';
import type { PlayedShift } from '@druckerei/contract';
import { of } from 'rxjs';
import { Theme } from '../../../platform/theme';
import { PracticeApi } from '../state/practice.api';
import { ShiftRun } from '../state/shift-run';
import { ShiftPage } from './shift.page';

/** Plays a run as the best would, through the state of the page. */
function playBest(run: ShiftRun): void {
  const { decisions, extra } = bestShift(run.shift());
  for (const decision of decisions) {
    run.decide(decision);
    run.run();
  }
  run.handOver(extra);
}

describe('a shift at the press', () => {
  beforeEach(() => localStorage.clear());
  const newRun = (): ShiftRun => TestBed.runInInjectionContext(() => new ShiftRun());

  it('comes to the best where the best decisions are taken, reason by reason', () => {
    for (const seed of [1, 2, 3, 4]) {
      const run = newRun();
      run.begin(seed);
      playBest(run);
      const outcome = run.outcome();
      expect(outcome?.own).toBe(lostOf(bestShift(makeShift(seed)).end));
      for (const row of outcome?.rows ?? []) expect([row.reason, row.own]).toEqual([row.reason, row.best]);
    }
  });

  it('advises the steps back of what it reads, and keeps what was read before', () => {
    const run = newRun();
    run.begin(5);
    for (let i = 0; i < 4; i++) run.run();
    const { colour } = run.shift().drift;
    const row = run.colours().find((one) => one.colour === colour);
    expect(row?.advised).toBe(-Math.round((row?.across ?? 0) / 0.02));
    expect(run.registerTrend().map(({ points }) => points.length)).toEqual([5, 5, 5]);
    expect(run.colours().find((one) => one.colour === 'K')).not.toHaveProperty('across');
  });

  it('hands what is read to the benches that work it out', () => {
    const run = newRun();
    run.begin(5);
    for (let i = 0; i < 4; i++) run.run();
    const { rows, marks, stepMm, toleranceMm, from } = run.forRegister();
    expect(from).toContain('look 4 of 12');
    for (const { colour, offsets } of rows) {
      const fit = fitRegister(marks, offsets, colour);
      const advised = fit.ok ? movesOf(fit.value, { moveMm: stepMm, cockMmPerM: 1 }).steps.across : undefined;
      expect(advised).toBe(run.colours().find((one) => one.colour === colour)?.advised);
    }
    expect(toleranceMm).toBeCloseTo(0.1, 9);
    const { readings, set } = run.forColour();
    expect(readings).toHaveLength(5 * 4);
    expect(AIM_SETS.some(({ id }) => id === set)).toBe(true);
    expect(readings.at(-1)?.density).toBe(run.colours().find(({ colour }) => colour === 'Y')?.density);
  });

  const kept: PlayedShift[] = [];
  const api = { play: (shift: PlayedShift) => (kept.push(shift), answer(shift)) };
  let answer: PracticeApi['play'];
  beforeEach(() => {
    kept.length = 0;
    answer = () => of([]);
  });

  async function open() {
    TestBed.configureTestingModule({
      providers: [
        provideRouter([]),
        { provide: Theme, useValue: { dark: signal(false) } },
        { provide: PracticeApi, useValue: api },
      ],
    });
    const fixture = TestBed.createComponent(ShiftPage);
    await fixture.whenStable();
    const page = fixture.nativeElement as HTMLElement;
    const text = (): string => page.textContent.replace(/\s+/g, ' ');
    const press = async (name: string): Promise<void> => {
      [...page.querySelectorAll('button')].find((one) => one.textContent.includes(name))?.click();
      await fixture.whenStable();
    };
    return { fixture, page, text, press };
  }

  it('is decided look by look: a break is not passed over, and the outcome stands beside the best', async () => {
    const { fixture, page, text, press } = await open();
    const { broken, looks } = makeShift(1);
    for (let look = 0; look < broken.at; look++) await press('Run the next');
    expect(text()).toContain('Web break.');
    await press('Run the next');
    expect(page.querySelector('[data-test=look]')?.textContent).toBe(`${broken.at} of ${looks}`);
    await press('Hang another roll');
    const move = page.querySelector<HTMLInputElement>('[data-colour="C"] input');
    if (move) move.value = '-2.4';
    move?.dispatchEvent(new Event('change'));
    await fixture.whenStable();
    for (let look = broken.at; look < looks; look++) await press('Run the next');
    expect(text()).toContain('The run is through.');
    await press('Hand the shift over');
    expect(text()).toMatch(/You lost [\d,]+ copies, the best [\d,]+: \d+ % of the marks\./);
    expect(text()).toMatch(/Spoiled while register was moved ?120/);
    expect(text()).toMatch(/At the end: run [\d,]+ beyond\./);
    expect(kept).toMatchObject([{ seed: 1, extra: 0 }]);
    expect(kept[0]?.decisions).toHaveLength(looks);
    expect(kept[0]?.decisions[broken.at]).toEqual({ moves: { C: -2 }, keys: {}, roll: 'new' });
    await press('Begin anew');
    expect(page.querySelector('[data-test=look]')?.textContent).toBe(`0 of ${looks}`);
  });

  it('goes on where it was left, after a look at a bench', async () => {
    const { fixture, page, press } = await open();
    const navigate = jest.spyOn(TestBed.inject(Router), 'navigateByUrl').mockResolvedValue(true);
    await press('Run the next');
    await press('At the colour bench');
    expect(navigate).toHaveBeenLastCalledWith('/benches/colour');
    await press('Work it out at the register bench');
    expect(navigate).toHaveBeenLastCalledWith('/benches/register');
    expect(localStorage.getItem('druckerei.register')).toContain('look 1 of 12');
    expect(page.querySelector('[data-test=look]')?.textContent).toBe('1 of 12');
    fixture.destroy();
    const again = TestBed.createComponent(ShiftPage);
    await again.whenStable();
    expect((again.nativeElement as HTMLElement).querySelector('[data-test=look]')?.textContent).toBe('1 of 12');
  });
});
