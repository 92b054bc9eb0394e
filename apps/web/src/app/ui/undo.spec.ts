import { TestBed } from '@angular/core/testing';
import { signal } from '@angular/core';
import { Undo } from './undo';

describe('undo of a page', () => {
  beforeEach(() => jest.useFakeTimers({ now: 0 }));
  afterEach(() => jest.useRealTimers());

  it('takes back edit by edit, strokes that follow each other as one, and brings them again', () => {
    const state = signal(0);
    const undo = TestBed.runInInjectionContext(() => new Undo(state));
    const set = (value: number, afterMs: number) => {
      jest.advanceTimersByTime(afterMs);
      state.set(value);
      TestBed.tick();
    };
    TestBed.tick();
    set(1, 1000);
    set(12, 100);
    set(2, 1000);
    undo.undo();
    expect(state()).toBe(12);
    undo.undo();
    expect(state()).toBe(0);
    expect(undo.canUndo()).toBe(false);
    TestBed.tick();
    undo.redo();
    undo.redo();
    expect(state()).toBe(2);
    undo.undo();
    set(3, 2000);
    expect(undo.canRedo()).toBe(false);
    undo.undo();
    expect(state()).toBe(12);
  });
});
