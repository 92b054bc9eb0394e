import { Injectable } from '@angular/core';
import type { PreloadingStrategy, Route } from '@angular/router';
import { EMPTY, type Observable, catchError, lastValueFrom } from 'rxjs';
import { idle } from '../ui/idle';

/** Milliseconds after which an area is fetched although the browser has had something to do all the time. */
const LATEST_MS = 4_000;

type Load = () => Observable<unknown>;

/**
 * Fetches the areas that nobody has opened yet one after another, each when the browser has nothing to do, and with each what is
 * within it: a click then waits for its data alone. What cannot be fetched now is fetched when it is opened.
 */
@Injectable({ providedIn: 'root' })
export class PreloadWhenIdle implements PreloadingStrategy {
  private readonly waiting: Load[] = [];
  /** What the area that is being fetched turns out to have within it; undefined where none is. */
  private within: Load[] | undefined;
  private goes = false;

  preload(_route: Route, load: Load): Observable<unknown> {
    (this.within ?? this.waiting).push(load);
    if (!this.goes) void this.go();
    // The router does not wait for the browser's leisure.
    return EMPTY;
  }

  private async go(): Promise<void> {
    this.goes = true;
    for (let load = this.waiting.shift(); load; load = this.waiting.shift()) {
      const within: Load[] = [];
      await lastValueFrom(idle(LATEST_MS), { defaultValue: undefined });
      this.within = within;
      await lastValueFrom(load().pipe(catchError(() => EMPTY)), { defaultValue: undefined });
      this.within = undefined;
      this.waiting.unshift(...within);
    }
    this.goes = false;
  }
}
