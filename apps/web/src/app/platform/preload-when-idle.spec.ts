import { TestBed } from '@angular/core/testing';
import { Observable, throwError } from 'rxjs';
import { PreloadWhenIdle } from './preload-when-idle';

const soon = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

describe('areas that nobody has opened', () => {
  it('are fetched one after another, when there is nothing else to do; one that fails holds up no other', async () => {
    const fetched: string[] = [];
    const area = (name: string) => () =>
      new Observable((observer) => {
        fetched.push(name);
        observer.complete();
      });
    const preload = TestBed.inject(PreloadWhenIdle);
    preload.preload({}, area('a')).subscribe();
    preload.preload({}, () => throwError(() => new Error('away'))).subscribe();
    preload.preload({}, area('b')).subscribe();
    expect(fetched).toEqual([]);
    await soon(80);
    expect(fetched).toEqual(['a']);
    await soon(200);
    expect(fetched).toEqual(['a', 'b']);
  });

  it('bring what is within them at once, before the next', async () => {
    const fetched: string[] = [];
    const preload = TestBed.inject(PreloadWhenIdle);
    const area =
      (name: string, within: string[] = []) =>
      () =>
        new Observable((observer) => {
          fetched.push(name);
          for (const one of within) preload.preload({}, area(one)).subscribe();
          observer.complete();
        });
    preload.preload({}, area('job', ['job page', 'job, plainly'])).subscribe();
    preload.preload({}, area('floor')).subscribe();
    await soon(400);
    expect(fetched).toEqual(['job', 'job page', 'job, plainly', 'floor']);
  });
});
