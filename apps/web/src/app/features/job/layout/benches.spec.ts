import { type Type } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { type Job, findWays, layBlanks } from '@druckerei/core';
import { Store, provideStore } from '@ngrx/store';
import type { BlanksAnswer, BlanksQuestion } from '../../../platform/blanks-client';
import { SessionActions, sessionFeature } from '../../../platform/session.state';
import { example, revisionOf } from '../job.fixture';
import { JobEditor } from '../state/job-editor';
import { JobActions, jobFeature } from '../state/job.state';
import type { WaysAnswer, WaysQuestion } from '../ways/ways.messages';
import { LayoutBench } from './layout-bench';
import { WaysBench } from '../ways/ways-bench';
import { testAccount } from '../../../platform/account.fixture';

// The worker answers at once, in the page's own thread.
jest.mock('../ways/ways.client', () => ({
  askWays: (question: WaysQuestion, answered: (answer: WaysAnswer) => void) => {
    answered({ kind: 'done', outcome: findWays(question.job, question.works, question.target) });
    return () => undefined;
  },
}));

// So does the one that lays blanks.
jest.mock('../../../platform/blanks-client', () => ({
  askBlanks: ({ request }: BlanksQuestion, answered: (answer: BlanksAnswer) => void) => {
    answered({ kind: 'progress', share: 0.5 });
    answered({ kind: 'blanks', layouts: layBlanks(request) });
    return () => undefined;
  },
}));

async function open<T>(bench: Type<T>, job: Job, componentId: string, role: 'manager' | 'viewer' = 'manager') {
  TestBed.configureTestingModule({
    providers: [provideStore({ job: jobFeature.reducer, [sessionFeature.name]: sessionFeature.reducer })],
  });
  const store = TestBed.inject(Store);
  store.dispatch(
    SessionActions.found({ account: testAccount(role === 'manager' ? undefined : []), demo: false, first: false }),
  );
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
    const choices = () => [...element.querySelectorAll('dk-layout-proposals [role=radio]')];
    expect(choices().length).toBeGreaterThan(1);
    const other = choices().find((choice) => choice.getAttribute('aria-checked') === 'false');
    const words = other?.textContent;
    await click(other);
    expect(words).toContain(now().components[0]?.lay?.arrangement);
    expect(choices().find((choice) => choice.getAttribute('aria-checked') === 'true')?.textContent).toBe(words);
    await click('Take the best');
    expect(now().components[0]?.lay).toEqual({});
    expect(text()).toMatch(/At most \d+ by any layout/);
  });

  it('goes on to the next way by key, and round', async () => {
    const card: Job = {
      ...example('trail-map'),
      components: example('trail-map').components.map((c) => ({ ...c, widthMm: 148, heightMm: 105 })),
    };
    const { element, fixture, now } = await open(LayoutBench, card, 'map');
    const sheet = element.querySelector('svg.large');
    const ways = element.querySelectorAll('dk-layout-proposals [role=radio]').length;
    const seen = new Set<string | undefined>();
    for (let i = 0; i < ways; i++) {
      sheet?.dispatchEvent(new KeyboardEvent('keydown', { key: 'n', cancelable: true }));
      await fixture.whenStable();
      seen.add(now().components[0]?.lay?.arrangement);
    }
    expect(seen.size).toBe(ways);
  });

  it('looks for a better way to lay blanks, keeps it in the job, and goes back to rows', async () => {
    const caddy = example('tea-caddy');
    const rows: Job = { ...caddy, components: caddy.components.map((c) => ({ ...c, lay: undefined })) };
    const { element, text, click, now } = await open(LayoutBench, rows, 'carton');
    expect(text()).toContain('6 up, straight rows');
    await click('Look for better');
    const better = [...element.querySelectorAll('dk-layout-proposals [role=radio]')].find((one) =>
      one.textContent.includes('head to tail'),
    );
    expect(better?.textContent).toContain('8 up');
    await click(better);
    expect(now().components[0]?.lay?.blanks).toMatchObject({ arrangement: 'head-to-tail', turned: true });
    expect(element.querySelectorAll('svg.large path.trim')).toHaveLength(8);
    expect(element.querySelectorAll('svg.large path.crease').length).toBeGreaterThan(8);
    await click('Back to rows');
    expect(now().components[0]?.lay).toEqual({});
  });

  it('shows what a form carries and what is over, and mends an order that does not add up', async () => {
    const cards = example('garden-cards');
    const { text, click, editor, fixture, now } = await open(LayoutBench, cards, 'form-1');
    expect(text()).toMatch(/Gate notice ?210 × 297 mm.*468/);
    editor.set(['items', 4, 'quantity'], 1300);
    await fixture.whenStable();
    expect(text()).toContain('The items add up to 23,300');
    await click('Set the order to 23,300');
    expect(now().order.quantity).toBe(23_300);
    expect(editor.outcome()?.ok).toBe(true);
  });

  it('puts two sections on one sheet and apart again', async () => {
    const small: Job = {
      ...programme,
      components: programme.components.map((c, i) => (i === 0 ? { ...c, pages: 8, name: 'Section of 8 pages' } : c)),
    };
    const { click, editor, fixture, now } = await open(LayoutBench, small, 'section-1');
    editor.share('section-1', 'section-2');
    await fixture.whenStable();
    const form = now().components.find(({ kind }) => kind === 'gang');
    expect(editor.outcome()?.ok).toBe(true);
    fixture.componentRef.setInput('componentId', form?.id);
    await fixture.whenStable();
    await click('Give each its own sheet');
    expect(now().components.map(({ id }) => id)).toEqual(small.components.map(({ id }) => id));
  });

  it('shows the web and its own fold schemes', async () => {
    const { text, element } = await open(LayoutBench, example('ferry-timetable'), 'leaflet');
    expect(text()).toContain('905 mm of web, 578 mm at a turn');
    expect(text()).toContain('the web runs upwards');
    expect(element.querySelectorAll('svg.large .number')).toHaveLength(8);
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
