import { DestroyRef, Injectable, inject, signal } from '@angular/core';
import { Router } from '@angular/router';
import { slugOf } from '../../ui/guide-text';
import type { GuidePage } from './guide-pages';

/** A place in the guide: a page, and a heading on it as addresses have it. */
export interface GuideAt {
  readonly page: GuidePage;
  readonly heading?: string | undefined;
}
type Told = () => GuideAt | undefined;

/** Headings of the page of screens, by where one is: the first that is so. */
const SCREENS: readonly (readonly [RegExp, string])[] = [
  [/^\/jobs\/\d/, $localize`Job`],
  [/^\/jobs/, $localize`Jobs`],
  [/^\/desk/, $localize`Desk`],
  [/^\/floor/, $localize`Floor`],
  [/^\/book/, $localize`Stations`],
  [/^\/quality/, $localize`Quality`],
  [/^\/benches\/reckoner/, $localize`Reckoner`],
  [/^\/benches\/practice/, $localize`Practice`],
  [/^\/benches/, $localize`Benches`],
  [/^\/(customers|offers)/, $localize`Customers`],
  [/^\/stores/, $localize`Stores`],
  [/^\/norms/, $localize`Norms`],
  [/^\/works/, $localize`Works`],
  [/^\/backup/, $localize`Backup`],
  [/^\/account/, $localize`Your account`],
];

/** The place of the guide that is about what is on the screen. */
export function screenPlace(url: string): GuideAt {
  const heading = SCREENS.find(([of]) => of.test(url))?.[1];
  return heading === undefined ? { page: 'first-job' } : { page: 'screens', heading: slugOf(heading) };
}

/** Knows which place of the guide is about what somebody looks at. */
@Injectable({ providedIn: 'root' })
export class GuidePlace {
  private readonly router = inject(Router);
  private readonly told = signal<readonly Told[]>([]);

  now(): GuideAt {
    const told = this.told().map((place) => place());
    return told.findLast((place) => place !== undefined) ?? screenPlace(this.router.url);
  }
  /** @returns what takes it back. */
  tell(place: Told): () => void {
    this.told.update((all) => [...all, place]);
    return () => this.told.update((all) => all.filter((one) => one !== place));
  }
}

/** Says, as long as a page is open, which place of the guide it is at. To be called where one may inject. */
export function guideAt(place: Told): void {
  inject(DestroyRef).onDestroy(inject(GuidePlace).tell(place));
}

/** The place about a station, by the name of what it does. */
export const stationPlace = (name: string): GuideAt => ({ page: 'stations', heading: slugOf(name) });
