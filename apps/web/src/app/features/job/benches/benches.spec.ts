import { type Type } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { type Job, findWays } from '@druckerei/core';
import { Store, provideStore } from '@ngrx/store';
import { SessionActions, sessionFeature } from '../../../platform/session.state';
import { example, revisionOf } from '../job.fixture';
import { JobEditor } from '../state/job-editor';
import { JobActions, jobFeature } from '../state/job.state';
import type { WaysAnswer, WaysQuestion } from '../workers/ways.messages';
import { LayoutBench } from './layout-bench';
import { WaysBench } from './ways-bench';

// The worker answers at once, in the page's own thread.
jest.mock('../workers/ways.client', () => ({
  askWays: (question: WaysQuestion, answered: (answer: WaysAnswer) => void) => {
    answered({ kind: 'done', outcome: findWays(question.job, question.works, question.target) });
    return () => undefined;
  },
}));

async function open<T>(bench: Type<T>, job: Job, componentId: string, role: 'manager' | 'viewer' = 'manager') {
  TestBed.configureTestingModule({
    providers: [provideStore({ job: jobFeature.reducer, [sessionFeature.name]: sessionFeature.reducer })],
  });
  const store = TestBed.inject(Store);
  store.dispatch(SessionActions.found({ account: { id: 1, login: role, name: role, role }, demo: false }));
  store.dispatch(JobActions.loaded({ revision: revisionOf(job), local: null }));
  const fixture = TestBed.createComponent(bench);
  fixture.componentRef.setInput('componentId', componentId);
  await fixture.whenStable();
  const element = fixture.nativeElement as HTMLElement;
  const editor = TestBed.inject(JobEditor);
  const text = () => (element.textContent ?? '').replace(/\s+/g, ' ');
  const click = async (find: string | Element | null | undefined) => {
    const target =
      typeof find === 'string'
        ? [...element.querySelectorAll('button')].find((one) => one.textContent.includes(find))
        : find;
    if (!target) throw new Error(`nothing to click${typeof find === 'string' ? `: ${find}` : ''}`);
    (target as HTMLElement).click();
    await fixture.whenStable();
  };
  const now = () => {
    const current = editor.job();
    if (!current) throw new Error('no job');
    return current;
  };
  return { fixture, element, editor, text, click, now };
}

describe('ways bench', () => {
  const map = example('trail-map');

  it('says how many were considered, marks the way of now, and why the others fell out', async () => {
    const { text, element } = await open(WaysBench, map, 'map');
    expect(text()).toMatch(/\d+ ways considered, \d+ work, reckoned step by step/);
    expect(element.querySelectorAll('tr.current')).toHaveLength(1);
    expect(element.querySelector('tr.current')?.textContent).toContain('as planned now');
    expect(text()).toMatch(/\d+ × Map: B2 four-colour prints one side a pass/);
  });

  it('opens a way to the working of its own plan and takes it; undo brings the old way back', async () => {
    const { element, text, click, now, editor } = await open(WaysBench, map, 'map');
    const row = element.querySelector('tr[data-way*="| perfecting"]');
    await click(row?.querySelector('button'));
    expect(text()).toContain('Run it this way');
    const cost = element.querySelector('dk-working .value')?.textContent.trim().split(' ')[0];
    expect(row?.textContent).toContain(cost);
    await click(element.querySelector('dk-working td button'));
    expect(element.querySelector('dk-working nav')?.textContent).toContain('Cost');
    await click('Run it this way');
    expect(now().components[0]?.workStyle).toBe('perfecting');
    expect(element.querySelector('tr.current')?.getAttribute('data-way')).toContain('| perfecting');
    editor.undo();
    expect(now()).toEqual(map);
  });

  it('lets who only reads compare, but not take', async () => {
    const { element, text, click } = await open(WaysBench, map, 'map', 'viewer');
    await click(element.querySelector('tr[data-way*="| perfecting"] button'));
    expect(text()).not.toContain('Run it this way');
  });

  it('looks at the whole text of a booklet, or at one section', async () => {
    const { element, click } = await open(WaysBench, example('concert-programme'), 'section-1');
    const ways = () => [...element.querySelectorAll('tr[data-way]')].map((row) => row.getAttribute('data-way') ?? '');
    expect(ways().some((way) => way.endsWith('16+16+4'))).toBe(true);
    await click('This section');
    expect(ways().some((way) => way.endsWith('16+16+4'))).toBe(false);
  });
});

describe('layout bench', () => {
  const programme = example('concert-programme');

  it('offers the ways that pieces can lie and keeps to the one chosen', async () => {
    const card: Job = {
      ...example('trail-map'),
      components: example('trail-map').components.map((c) => ({ ...c, widthMm: 148, heightMm: 105 })),
    };
    const { element, text, click, now } = await open(LayoutBench, card, 'map');
    const choices = [...element.querySelectorAll<HTMLInputElement>('input[type=radio]')];
    expect(choices.length).toBeGreaterThan(1);
    const other = choices.find((choice) => !choice.checked);
    await click(other);
    expect(now().components[0]?.lay?.arrangement).toBe(other?.value);
    await click('Take the best');
    expect(now().components[0]?.lay).toEqual({});
    expect(text()).toMatch(/At most \d+ by any pattern/);
  });

  it('shows what creep does and gives the files of the revision', async () => {
    const { element, text } = await open(LayoutBench, programme, 'section-1');
    // Nine sheets of 82.8 um by one caliper a sheet: 8 x 0.0828
    expect(text()).toContain('at most 0.66 mm here');
    const files = [...element.querySelectorAll('.files a')].map((link) => link.getAttribute('href'));
    expect(files).toEqual(['pdf', 'svg', 'dxf'].map((format) => `/api/jobs/7/revisions/1/layouts/section-1.${format}`));
  });

  it('says what the press sheets are cut from', async () => {
    const bought: Job = {
      ...programme,
      components: programme.components.map((c) => ({ ...c, bought: { kind: 'roll', widthMm: 730 } })),
    };
    const { text } = await open(LayoutBench, bought, 'section-1');
    expect(text()).toContain('1 across the roll, cut off at 1,020 mm');
  });
});
