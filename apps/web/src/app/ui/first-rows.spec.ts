import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { firstRows } from './first-rows';

const rows = (count: number) => Array.from({ length: count }, (_, i) => i);
/** Waits until so many are shown. */
const until = async (shown: () => readonly unknown[], count: number): Promise<void> => {
  while (shown().length < count) {
    await new Promise((resolve) => setTimeout(resolve, 10));
    TestBed.tick();
  }
};

describe('rows of a long table', () => {
  it('begin with a screen of them, and the others follow screen by screen; another subject begins again', async () => {
    const [all, subject] = [signal(rows(100)), signal('a')];
    const shown = TestBed.runInInjectionContext(() => firstRows(all, subject));
    TestBed.tick();
    expect(shown()).toEqual(rows(24));
    await until(shown, 25);
    expect(shown()).toEqual(rows(48));
    await until(shown, 100);
    expect(shown()).toEqual(rows(100));
    all.set(rows(120));
    TestBed.tick();
    // What is drawn stays drawn.
    expect(shown()).toHaveLength(120);
    subject.set('b');
    TestBed.tick();
    expect(shown()).toHaveLength(24);
    await until(shown, 120);
    expect(shown()).toEqual(rows(120));
  });

  it('are fewer where the screen has room for fewer', async () => {
    const shown = TestBed.runInInjectionContext(() => firstRows(signal(rows(7)), () => '', 3));
    TestBed.tick();
    expect(shown()).toEqual(rows(3));
    await until(shown, 7);
    expect(shown()).toEqual(rows(7));
  });

  it('are all there at once where there are few', () => {
    const shown = TestBed.runInInjectionContext(() => firstRows(signal(rows(24)), () => ''));
    expect(shown()).toHaveLength(24);
  });
});
