import { Injectable } from '@angular/core';
import type { PreloadingStrategy, Route } from '@angular/router';
import { EMPTY, type Observable, Subject, catchError, concat, concatMap } from 'rxjs';
import { idle } from '../ui/idle';

/** Milliseconds after which an area is fetched although the browser has had something to do all the time. */
const LATEST_MS = 4_000;

/**
 * Fetches the areas that nobody has opened yet one after another, each when the browser has nothing to do: a click then waits for
 * its data alone. What cannot be fetched now is fetched when it is opened.
 */
@Injectable({ providedIn: 'root' })
export class PreloadWhenIdle implements PreloadingStrategy {
  private readonly areas = new Subject<() => Observable<unknown>>();

  constructor() {
    this.areas.pipe(concatMap((load) => concat(idle(LATEST_MS), load().pipe(catchError(() => EMPTY))))).subscribe();
  }

  preload(_route: Route, load: () => Observable<unknown>): Observable<unknown> {
    // The router does not wait for the browser's leisure.
    this.areas.next(load);
    return EMPTY;
  }
}
