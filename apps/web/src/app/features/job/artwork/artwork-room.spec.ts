import { TestBed } from '@angular/core/testing';
import { type Outcome, error } from '@druckerei/core';
import type { ExaminedPage } from '@druckerei/formats/pdf-artwork';
import { Store, provideStore } from '@ngrx/store';
import { testAccount } from '../../../platform/account.fixture';
import { SessionActions, sessionFeature } from '../../../platform/session.state';
import { example, revisionOf } from '../job.fixture';
import { JobEditor } from '../state/job-editor';
import { JobActions, jobFeature } from '../state/job.state';
import { Names } from '../state/names';
import type { ArtworkAnswer, ArtworkQuestion } from './artwork.messages';
import { ArtworkRoom } from './artwork-room';

const front: ExaminedPage = {
  widthMm: 105,
  heightMm: 148,
  bleedMm: 3,
  boundBleedMm: 3,
  inks: ['K', 'Night blue', 'Silver'],
  rgb: false,
  totalInk: 1.4,
  pictures: true,
};
const back: ExaminedPage = { ...front, inks: ['K', 'Night blue', 'Rose'], totalInk: 1, pictures: false };
let outcome: Outcome<readonly ExaminedPage[]>;
let stopped = 0;

// The worker answers at once, in the page's own thread; a file called "slow" never comes to its end.
jest.mock('./artwork.client', () => ({
  askArtwork: ({ file }: ArtworkQuestion, answered: (answer: ArtworkAnswer) => void) => {
    answered({ kind: 'examined', outcome });
    answered({ kind: 'drawn', page: 0, totalInk: 3.25, share: 0.5 });
    if (file.name !== 'slow.pdf') answered({ kind: 'done' });
    return () => stopped++;
  },
}));

async function open(may = true) {
  TestBed.configureTestingModule({
    providers: [Names, provideStore({ job: jobFeature.reducer, [sessionFeature.name]: sessionFeature.reducer })],
  });
  const store = TestBed.inject(Store);
  const account = testAccount(may ? undefined : []);
  store.dispatch(SessionActions.found({ account, demo: false, first: false }));
  store.dispatch(JobActions.loaded({ revision: revisionOf(example('constellation-cards')), local: null }));
  const fixture = TestBed.createComponent(ArtworkRoom);
  await fixture.whenStable();
  const element = fixture.nativeElement as HTMLElement;
  const text = () => (element.textContent ?? '').replace(/\s+/g, ' ');
  const choose = async (name: string) => {
    const field = element.querySelector<HTMLInputElement>('input[type=file]');
    const files = [new File(['x'], name)] as unknown as FileList;
    if (field) Object.defineProperty(field, 'files', { value: files, configurable: true });
    field?.dispatchEvent(new Event('change'));
    await fixture.whenStable();
  };
  const press = async (label: string) => {
    [...element.querySelectorAll('button')].find((one) => one.textContent.includes(label))?.click();
    await fixture.whenStable();
  };
  return { text, choose, press, element, editor: TestBed.inject(JobEditor) };
}

beforeEach(() => {
  stopped = 0;
  outcome = { ok: true, value: [front, back] };
});

describe('the room of artwork', () => {
  it('tells what a file is of and what its pages are, and keeps it as one edit that breaks a rule', async () => {
    const { text, choose, press, editor } = await open();
    await choose('cards.pdf');
    expect(text()).toContain('cards.pdf: 2 pages, all of 2 that are printed');
    expect(text()).toContain('325 %');
    expect(editor.job()?.artwork).toBeUndefined();
    await press('Keep it with the job');
    expect(editor.job()?.artwork).toMatchObject([{ name: 'cards.pdf', of: ['card'], pages: [{ totalInk: 3.25 }, {}] }]);
    expect(text()).toContain('2 things do not fit');
    editor.undo();
    expect(editor.job()?.artwork).toBeUndefined();
  });

  it('takes the place of a file of the same name, and lets it go again', async () => {
    const { choose, press, editor } = await open();
    await choose('cards.pdf');
    await press('Keep it with the job');
    await choose('cards.pdf');
    await press('Keep it with the job');
    expect(editor.job()?.artwork).toHaveLength(1);
    await press('Remove');
    expect(editor.job()?.artwork).toBeUndefined();
  });

  it('keeps what was examined when the drawing of its pictures is stopped', async () => {
    const { text, choose, press } = await open();
    await choose('slow.pdf');
    await press('Stop');
    expect(stopped).toBe(1);
    expect(text()).toContain('Stopped. The ink of pictures that were not drawn yet is not in it.');
    expect(text()).toContain('slow.pdf: 2 pages');
  });

  it('says why a file is not read, and changes nothing', async () => {
    const { text, choose, editor } = await open();
    outcome = { ok: false, issues: [error('artwork.encrypted', 'artwork')] };
    await choose('locked.pdf');
    expect(text()).toContain('protected by a password');
    expect(editor.job()?.artwork).toBeUndefined();
  });

  it('offers no file to who may not plan', async () => {
    const { text, element } = await open(false);
    expect(element.querySelector('input[type=file]')).toBeNull();
    expect(text()).toContain('No file of artwork was examined for this job.');
  });
});
