import { TestBed } from '@angular/core/testing';
import { kept } from './kept';

describe('what a computer remembers', () => {
  const make = () => TestBed.runInInjectionContext(() => kept('test', { width: 1, name: 'a' }));
  beforeEach(() => localStorage.clear());

  it('comes back after a reload', () => {
    const first = make();
    first.update((state) => ({ ...state, width: 7 }));
    TestBed.tick();
    expect(make()()).toEqual({ width: 7, name: 'a' });
  });

  it('begins anew where it is not ours or cut short, and takes new fields from the start', () => {
    localStorage.setItem('druckerei.test', '{"width": 3');
    expect(make()()).toEqual({ width: 1, name: 'a' });
    localStorage.setItem('druckerei.test', '{"width": 3}');
    expect(make()()).toEqual({ width: 3, name: 'a' });
  });
});
