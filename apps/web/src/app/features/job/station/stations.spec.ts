import { type ComponentRef, type Type } from '@angular/core';
import { type ComponentFixture, TestBed } from '@angular/core/testing';
import { type Finding, type Job, type Mend, type StationDrawing, SHIPPED_WORKS, checkRoute } from '@druckerei/core';
import { Store, provideStore } from '@ngrx/store';
import { SessionActions, sessionFeature } from '../../../platform/session.state';
import { example, planned, revisionOf } from '../job.fixture';
import { JobEditor } from '../state/job-editor';
import { JobActions, jobFeature } from '../state/job.state';
import { Findings } from '../figures/findings';
import { StationDrawingView } from './station-drawing';
import { StationCard } from './station-card';
import { testAccount } from '../../../platform/account.fixture';

function open(job: Job): void {
  TestBed.configureTestingModule({
    providers: [provideStore({ job: jobFeature.reducer, [sessionFeature.name]: sessionFeature.reducer })],
  });
  const store = TestBed.inject(Store);
  store.dispatch(SessionActions.found({ account: testAccount(), demo: false, first: false }));
  store.dispatch(JobActions.loaded({ revision: revisionOf(job), local: null }));
}
async function show<T>(type: Type<T>, inputs: Readonly<Record<string, unknown>>): Promise<ComponentFixture<T>> {
  const fixture = TestBed.createComponent(type);
  const ref: ComponentRef<T> = fixture.componentRef;
  for (const [name, value] of Object.entries(inputs)) ref.setInput(name, value);
  await fixture.whenStable();
  return fixture;
}
const textOf = (fixture: ComponentFixture<unknown>): string =>
  ((fixture.nativeElement as HTMLElement).textContent ?? '').replace(/\s+/g, ' ');
const buttons = (fixture: ComponentFixture<unknown>): HTMLButtonElement[] => [
  ...(fixture.nativeElement as HTMLElement).querySelectorAll('button'),
];

/** The trail map without the drying before its cut. */
function wetMap(): Job {
  const job = example('trail-map');
  const dry = job.route.find((step, i) => step.operation === 'dry' && job.route[i + 1]?.operation === 'cut');
  const route = job.route
    .filter((step) => step !== dry)
    .map((step) => (step.from?.[0]?.material === dry?.id && dry?.from ? { ...step, from: dry.from } : step));
  return { ...job, route };
}

describe('what the route breaks', () => {
  const found = (job: Job): readonly Finding[] => checkRoute(job, planned(job), SHIPPED_WORKS);

  it('is told with its reason, and its mend is one button', async () => {
    const mends: Mend[] = [];
    const fixture = await show(Findings, {
      findings: found(wetMap()),
      names: new Map([['cut', 'Guillotine']]),
      editable: true,
    });
    fixture.componentInstance.mended.subscribe((mend) => mends.push(mend));
    expect(textOf(fixture)).toContain('Drying before cutting. The clamp presses wet ink');
    buttons(fixture)
      .find(({ textContent }) => textContent?.includes('Put “Dry” before Guillotine'))
      ?.click();
    expect(mends).toEqual([{ kind: 'insert', operation: 'dry', before: 'cut' }]);
  });

  it('offers no mend to who may not edit', async () => {
    const fixture = await show(Findings, { findings: found(wetMap()), names: new Map(), editable: false });
    expect(buttons(fixture).some(({ textContent }) => textContent?.includes('Put'))).toBe(false);
  });

  it('shows a few of many, the hard ones first, until all are asked for', async () => {
    const [first] = found(wetMap());
    if (!first) throw new Error('nothing found');
    const many = Array.from({ length: 8 }, (_, i): Finding => ({
      ...first,
      step: `s${i}`,
      weight: i === 7 ? 'hard' : 'soft',
    }));
    const fixture = await show(Findings, { findings: many, names: new Map() });
    const rows = (fixture.nativeElement as HTMLElement).querySelectorAll('li');
    expect(rows).toHaveLength(3);
    expect(rows[0]?.className).toContain('hard');
    expect(textOf(fixture)).toContain('Show all 8');
  });

  it('goes when its mend is taken, comes back when that is undone', () => {
    open(wetMap());
    const editor = TestBed.inject(JobEditor);
    const mend = editor.findings().find(({ rule }) => rule === 'dry-before-cut')?.mend;
    if (!mend) throw new Error('no mend');
    editor.mend(mend);
    expect(editor.findings()).toEqual([]);
    editor.undo();
    expect(editor.findings().map(({ rule }) => rule)).toContain('dry-before-cut');
  });

  it('a station is moved along its lane and back', () => {
    open(example('constellation-cards'));
    const editor = TestBed.inject(JobEditor);
    editor.moveBefore('cut', 'foil');
    expect(editor.plan()?.steps.find(({ id }) => id === 'foil')?.unitIn).toBe('card');
    editor.moveBefore('foil', 'cut');
    expect(editor.plan()?.steps.find(({ id }) => id === 'foil')?.unitIn).toBe('sheet');
  });
});

describe('station card', () => {
  it('shows figures, the drawing and its lists, and opens a figure', async () => {
    open(example('star-atlas'));
    const fixture = await show(StationCard, { stepId: 'case' });
    const opened: string[] = [];
    fixture.componentInstance.figureOpened.subscribe((id) => opened.push(id));
    expect(textOf(fixture)).toContain('Board, width 206 mm');
    expect((fixture.nativeElement as HTMLElement).querySelectorAll('svg rect')).toHaveLength(4);
    buttons(fixture)
      .find(({ title }) => title.startsWith('Board, width'))
      ?.click();
    expect(opened).toEqual(['station.case.boardWidth']);
  });

  it('has the number list as a file at the numbering station alone', async () => {
    open(example('season-tickets'));
    const links = async (step: string): Promise<string[]> =>
      [...((await show(StationCard, { stepId: step })).nativeElement as HTMLElement).querySelectorAll('a')].map(
        (a) => a.getAttribute('href') ?? '',
      );
    const lists = await links('number');
    expect(lists.some((href) => href.endsWith('/stations/number.csv'))).toBe(true);
    expect(lists.some((href) => href.endsWith('/stations/number/numbers.pdf'))).toBe(true);
    expect((await links('cut')).some((href) => href.endsWith('.csv'))).toBe(false);
  });

  it('says nothing of a step that the plan does not have', async () => {
    open(example('trail-map'));
    expect(textOf(await show(StationCard, { stepId: 'gone' })).trim()).toBe('');
  });
});

describe('station drawing', () => {
  const DRAWING: StationDrawing = {
    title: 'Panel',
    widthMm: 100,
    heightMm: 50,
    shapes: [
      { kind: 'box', role: 'piece', x: 0, y: 0, width: 100, height: 50, label: '1' },
      {
        kind: 'path',
        role: 'fold',
        points: [
          { x: 50, y: 0 },
          { x: 50, y: 50 },
        ],
      },
      { kind: 'measure', from: { x: 0, y: 50 }, to: { x: 50, y: 50 }, text: '50' },
      { kind: 'measure', from: { x: 100, y: 0 }, to: { x: 100, y: 50 }, text: '50' },
    ],
  };
  it('is to scale, with measures beside it', async () => {
    const fixture = await show(StationDrawingView, { drawing: DRAWING });
    const svg = (fixture.nativeElement as HTMLElement).querySelector('svg');
    expect(svg?.getAttribute('viewBox')).toBe('-2 -2 111 61');
    expect(svg?.querySelector('path.fold')?.getAttribute('d')).toBe('M50 0L50 50');
    const turned = [...(svg?.querySelectorAll('text.measured') ?? [])].map(
      (text) => text.getAttribute('transform') ?? '',
    );
    expect(turned.map((text) => text.includes('rotate'))).toEqual([false, true]);
  });
});
