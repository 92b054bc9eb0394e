import { HttpClient } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import { spokenLocale } from '@druckerei/core/kernel';
import { firstValueFrom } from 'rxjs';
import { type GuideSection, sectionsOf } from '../../ui/guide-text';

/** Pages of the guide in the order that they are read; each is a file of the documentation. */
export const GUIDE_PAGES = [
  { id: 'first-job', title: $localize`A first job in ten minutes` },
  { id: 'screens', title: $localize`Screens` },
  { id: 'stations', title: $localize`Stations` },
  { id: 'lessons', title: $localize`Lessons` },
  { id: 'schools', title: $localize`Counting sheets` },
  { id: 'rules', title: $localize`Rules of the route` },
  { id: 'formulas', title: $localize`Formulas` },
  { id: 'norms', title: $localize`Shipped norms` },
  { id: 'issues', title: $localize`What is refused` },
  { id: 'words', title: $localize`Words` },
] as const;
export type GuidePage = (typeof GUIDE_PAGES)[number]['id'];

export const isGuidePage = (id: string): id is GuidePage => GUIDE_PAGES.some((page) => page.id === id);

/** Where the pages of this language lie, as the documentation does. */
const FOLDER = `/guide-pages/${spokenLocale().slice(0, 2)}/`;
/** Where a picture of a page lies: beside it, or with those of the documentation. */
export const pictureAt = (place: string): string => new URL(place, `https://here${FOLDER}`).pathname;

/** The texts of the guide in the language of the page, each asked for once. */
@Injectable({ providedIn: 'root' })
export class GuidePages {
  private readonly http = inject(HttpClient);
  private readonly texts = new Map<GuidePage, Promise<string>>();

  /** A page as Markdown. Fails where the server does not answer; asked again, it tries again. */
  text(id: GuidePage): Promise<string> {
    const known = this.texts.get(id);
    if (known) return known;
    const text = firstValueFrom(this.http.get(`${FOLDER}${id}.md`, { responseType: 'text' }));
    this.texts.set(id, text);
    text.catch(() => this.texts.delete(id));
    return text;
  }

  /** All parts of all pages, to be searched. */
  async sections(): Promise<GuideSection[]> {
    const pages = await Promise.all(GUIDE_PAGES.map(async ({ id }) => sectionsOf(id, await this.text(id))));
    return pages.flat();
  }
}
