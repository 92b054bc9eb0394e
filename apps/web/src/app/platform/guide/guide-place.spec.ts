import fs from 'node:fs';
import path from 'node:path';
import { ChangeDetectionStrategy, Component, signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { LESSONS } from '@druckerei/core';
import { LESSON_WORDS } from '@druckerei/contract';
import { routes } from '../../app.routes';
import { slugOf } from '../../ui/guide-text';
import { GUIDE_PAGES } from './guide-pages';
import { type GuideAt, GuidePlace, guideAt, screenPlace, stationPlace } from './guide-place';

const DOCS = path.join(__dirname, '../../../../../../docs');
const headings = [...fs.readFileSync(path.join(DOCS, 'guide/en/screens.md'), 'utf8').matchAll(/^## (.+)$/gm)].map(
  ([, heading = '']) => slugOf(heading),
);
/** Areas that have a screen: what is signed in to, and is no way to another. */
const areas = (routes.find(({ path: at }) => at === '')?.children ?? []).flatMap(({ path: at = '', redirectTo }) =>
  redirectTo === undefined && at !== '**' && !at.startsWith('guide') ? [`/${at.replace(':id', '12')}`] : [],
);
const told = signal<GuideAt | undefined>(undefined);
@Component({ selector: 'dk-told', changeDetection: ChangeDetectionStrategy.OnPush, template: '' })
class Told {
  constructor() {
    guideAt(told);
  }
}

describe('the place of the guide', () => {
  it.each([...areas, '/benches/reckoner?q=1', '/benches/practice', '/benches/die'])('of %s is there', (url) => {
    const { page, heading } = screenPlace(url);
    expect([url, page]).toEqual([url, 'screens']);
    expect(headings).toContain(heading);
  });
  it('has every heading of the screens opened from somewhere', () => {
    const opened = [...areas, '/benches/reckoner', '/benches/practice'].map((url) => screenPlace(url).heading);
    expect([...new Set(opened)].sort()).toEqual([...headings].sort());
  });
  it('of every lesson is there, by what it is called', () => {
    const lessons = [...fs.readFileSync(path.join(DOCS, 'guide/en/lessons.md'), 'utf8').matchAll(/^## (.+)$/gm)];
    expect(lessons.map(([, heading]) => heading)).toEqual(LESSONS.map((lesson) => LESSON_WORDS[lesson]));
  });
  it('has a file for every page', () => {
    const files = fs.readdirSync(path.join(DOCS, 'guide/en'));
    expect(GUIDE_PAGES.map(({ id }) => `${id}.md`).sort()).toEqual(files.sort());
  });
  it.each(['screens', 'lessons'])('is found in German, too: %s are headed as they are called there', (name) => {
    const words = path.join(DOCS, '../words/de');
    const german = Object.assign(
      {},
      ...fs.readdirSync(words).map((file): unknown => JSON.parse(fs.readFileSync(path.join(words, file), 'utf8'))),
    ) as Record<string, string>;
    const headed = (language: string): string[] =>
      [...fs.readFileSync(path.join(DOCS, `guide/${language}/${name}.md`), 'utf8').matchAll(/^## (.+)$/gm)].map(
        ([, heading = '']) => heading,
      );
    expect(headed('de')).toEqual(headed('en').map((heading) => german[heading]));
  });
  it('is what the open page says, and where one is when it says nothing or is gone', () => {
    TestBed.configureTestingModule({ providers: [provideRouter([])] });
    const place = TestBed.inject(GuidePlace);
    const fixture = TestBed.createComponent(Told);
    expect(place.now()).toEqual({ page: 'first-job' });
    told.set(stationPlace('Case in'));
    expect(place.now()).toEqual({ page: 'stations', heading: 'case-in' });
    fixture.destroy();
    expect(place.now()).toEqual({ page: 'first-job' });
  });
});
