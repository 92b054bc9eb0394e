import { type ComponentFixture, TestBed } from '@angular/core/testing';
import { type Job, sectionCode } from '@druckerei/core';
import { Store, provideStore } from '@ngrx/store';
import { Api } from '../../../platform/api';
import { SessionActions, sessionFeature } from '../../../platform/session.state';
import { example, revisionOf } from '../job.fixture';
import { FakeRoom } from '../room.fixture';
import { JobEditor } from '../state/job-editor';
import { JobActions, jobFeature } from '../state/job.state';
import { RoomStore } from '../record/room.store';
import { Field } from '../parts/field';
import { FinishFields } from './finish-fields';
import { PassInks } from './pass-inks';
import { SectionReader } from './section-reader';
import { testAccount } from '../../../platform/account.fixture';

function open(job: Job): { editor: JobEditor; room: FakeRoom } {
  const room = new FakeRoom(job);
  TestBed.configureTestingModule({
    providers: [
      provideStore({ job: jobFeature.reducer, [sessionFeature.name]: sessionFeature.reducer }),
      { provide: Api, useValue: room },
      RoomStore,
    ],
  });
  const store = TestBed.inject(Store);
  store.dispatch(SessionActions.found({ account: testAccount(), demo: false, first: false }));
  store.dispatch(JobActions.loaded({ revision: revisionOf(job), local: null }));
  return { editor: TestBed.inject(JobEditor), room };
}
const inputOf = (fixture: ComponentFixture<unknown>): HTMLInputElement => {
  const input = (fixture.nativeElement as HTMLElement).querySelector('input');
  if (!input) throw new Error('no field');
  return input;
};
const textOf = (fixture: ComponentFixture<unknown>): string =>
  ((fixture.nativeElement as HTMLElement).textContent ?? '').replace(/\s+/g, ' ');

describe('a station on two machines', () => {
  it('is split, shared otherwise, put together and undone', () => {
    const { editor } = open(example('trail-map'));
    editor.splitStation('fold', 'buckle-folder');
    const at = editor.job()?.route.findIndex(({ id }) => id === 'fold') ?? -1;
    editor.set(['route', at, 'makes', 0, 'share'], 0.25);
    expect(editor.outcome()?.ok).toBe(true);
    expect(editor.job()?.route.find(({ id }) => id === 'fold-2')?.makes?.[0]?.share).toBe(0.75);
    editor.joinStation('fold');
    expect(editor.job()?.route.some(({ id }) => id === 'fold-2')).toBe(false);
    for (let i = 0; i < 3; i++) editor.undo();
    expect(editor.job()).toEqual(example('trail-map'));
  });

  it('a lane is parted from its join and joined again', () => {
    const { editor } = open(example('puzzle-wallet'));
    editor.leaveOut('insert', 'part.insert');
    expect(editor.job()?.route.find(({ id }) => id === 'insert')?.from).toEqual([{ material: 'tray-in' }]);
    editor.takeIn('insert', 'part.insert');
    expect(editor.outcome()?.ok).toBe(true);
    expect(editor.plan()?.figures['part.insert.count']?.value).toBeGreaterThan(3000);
  });
});

describe('panels by hand', () => {
  it('are told as a list; one that folds against its own panel is refused with the most that it may be', async () => {
    const map = example('trail-map');
    const letter: Job = {
      ...map,
      finish: { ...map.finish, fold: 'letter' },
      route: map.route.map((step) => (step.operation === 'fold' ? { ...step, folds: 2 } : step)),
    };
    const { editor } = open(letter);
    const fixture = TestBed.createComponent(Field);
    fixture.componentRef.setInput('label', 'Panels');
    fixture.componentRef.setInput('path', ['finish', 'panelsMm']);
    fixture.componentRef.setInput('kind', 'list');
    fixture.componentRef.setInput('unit', 'mm');
    await fixture.whenStable();
    const field = inputOf(fixture);
    const type = async (text: string): Promise<void> => {
      field.dispatchEvent(new Event('focus'));
      field.value = text;
      field.dispatchEvent(new Event('input'));
      await fixture.whenStable();
    };
    const piece = map.components[0];
    const length = Math.max(piece?.widthMm ?? 0, piece?.heightMm ?? 0);
    const third = length / 3;
    await type(`${third - 2}; ${third - 1}; ${third + 3}`);
    expect(textOf(fixture)).toContain('Panel 3 folds in against the one before');
    await type(`${third + 1}; ${third}; ${third - 1}`);
    expect(editor.outcome()?.ok).toBe(true);
    await type('99; wide');
    expect(textOf(fixture)).toContain('“wide” is no number');
    expect(editor.job()?.finish?.panelsMm).toEqual([third + 1, third, third - 1]);
    await type('');
    expect(editor.job()?.finish?.panelsMm).toBeUndefined();
  });
});

describe('section reader at the gatherer', () => {
  it('counts whole books, stops at the first wrong section, puts it on record, and goes on', async () => {
    const job = example('star-atlas');
    const { room } = open(job);
    const fixture = TestBed.createComponent(SectionReader);
    fixture.componentRef.setInput('stepId', 'gather');
    await fixture.whenStable();
    const sections = job.components.filter(({ kind }) => kind === 'section').length;
    const codes = Array.from({ length: sections }, (_, i) => sectionCode(job.number, i));
    const scan = async (word: string): Promise<void> => {
      const field = inputOf(fixture);
      field.value = word;
      field.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter' }));
      await fixture.whenStable();
    };
    for (const code of codes) await scan(code);
    expect(textOf(fixture)).toContain('1 book right.');
    await scan(codes[0] ?? '');
    await scan(codes[2] ?? '');
    expect(textOf(fixture)).toContain('Stopped at section 2');
    expect(room.records.map(({ event }) => event)).toEqual([
      { kind: 'reader-stop', step: 'gather', place: 2, fault: 'missing', read: codes[2] },
    ]);
    (fixture.nativeElement as HTMLElement).querySelector('button')?.click();
    await fixture.whenStable();
    await scan(codes[1] ?? '');
    expect(textOf(fixture)).toContain(`2 of ${sections}`);
    expect(textOf(fixture)).toContain('1 stop on record.');
  });
});

describe('a pass on another press', () => {
  const buttons = (fixture: ComponentFixture<unknown>): HTMLButtonElement[] => [
    ...(fixture.nativeElement as HTMLElement).querySelectorAll('button'),
  ];

  it('takes an ink more with its carrier, and none where all are taken out', async () => {
    const { editor } = open(example('season-tickets'));
    const before = editor.plan()?.totals.plates ?? 0;
    const fixture = TestBed.createComponent(PassInks);
    fixture.componentRef.setInput(
      'index',
      editor.job()?.route.findIndex(({ id }) => id === 'screen'),
    );
    await fixture.whenStable();
    const press = async (label: string): Promise<void> => {
      buttons(fixture)
        .find((one) => (one.getAttribute('aria-label') ?? one.textContent ?? '').includes(label))
        ?.click();
      await fixture.whenStable();
    };
    await press('Ink of this pass');
    expect(editor.plan()?.totals.plates).toBe(before + 1);
    await press('Take out Ferry silver');
    await press('Take out Ink 2');
    expect(editor.job()?.route.find(({ id }) => id === 'screen')?.inks).toBeUndefined();
    expect(editor.plan()?.totals.plates).toBe(before - 1);
  });
});

describe('what a station is told', () => {
  it('the size of its die, the spine of its books, the clearance of its glue', async () => {
    const { editor } = open({ ...example('puzzle-wallet'), contact: 'toy' });
    const show = async (step: string): Promise<ComponentFixture<FinishFields>> => {
      const fixture = TestBed.createComponent(FinishFields);
      fixture.componentRef.setInput('stepId', step);
      await fixture.whenStable();
      return fixture;
    };
    const labels = (fixture: ComponentFixture<unknown>): string[] =>
      [...(fixture.nativeElement as HTMLElement).querySelectorAll('mat-label')].map((one) => one.textContent ?? '');
    expect(labels(await show('emboss-wallet'))).toEqual(['Die, width', 'Die, height, along the foil']);
    const glue = await show('glue-tray');
    const box = [...(glue.nativeElement as HTMLElement).querySelectorAll('mat-checkbox')].find((one) =>
      one.textContent?.includes('cleared for toy'),
    );
    box?.querySelector('input')?.click();
    await glue.whenStable();
    expect(editor.job()?.finish?.glueCleared).toEqual(['toy']);
  });
});
