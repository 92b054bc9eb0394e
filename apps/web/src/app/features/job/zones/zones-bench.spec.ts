import { TestBed } from '@angular/core/testing';
import { type Outcome, type ToneProfile, error } from '@druckerei/core';
import type { ReadArtwork } from '@druckerei/formats/artwork';
import { Store, provideStore } from '@ngrx/store';
import { SessionActions, sessionFeature } from '../../../platform/session.state';
import { example, revisionOf } from '../job.fixture';
import { JobEditor } from '../state/job-editor';
import { JobActions, jobFeature } from '../state/job.state';
import type { ZonesAnswer, ZonesQuestion } from './zones.messages';
import { ZonesBench } from './zones-bench';
import { testAccount } from '../../../platform/account.fixture';

const tints = [0.2, 0.3, 0, 0.5];
const flat = (tone: number): number[] => [tone, tone, tone, tone];
const profile: ToneProfile = {
  channels: ['C', 'M', 'Y', 'K'],
  columns: tints.map(flat),
  rows: tints.map(flat),
  means: tints,
  highestTotal: 3.4,
  overLimit: 0.1,
};
const art: ReadArtwork = {
  profile,
  widthPx: 656,
  heightPx: 909,
  widthMm: 111,
  heightMm: 154,
  estimate: undefined,
};
let outcome: Outcome<ReadArtwork>;
let stopped = 0;

// The worker answers at once, in the page's own thread; a file called "slow" never does.
jest.mock('./zones.client', () => ({
  askZones: ({ file }: ZonesQuestion, answered: (answer: ZonesAnswer) => void) => {
    answered({ kind: 'progress', share: 0.5 });
    if (file.name !== 'slow.tif') answered({ kind: 'read', outcome });
    return () => stopped++;
  },
}));

async function open() {
  TestBed.configureTestingModule({
    providers: [provideStore({ job: jobFeature.reducer, [sessionFeature.name]: sessionFeature.reducer })],
  });
  const store = TestBed.inject(Store);
  const account = testAccount();
  store.dispatch(SessionActions.found({ account, demo: false, first: false }));
  store.dispatch(JobActions.loaded({ revision: revisionOf(example('constellation-cards')), local: null }));
  const fixture = TestBed.createComponent(ZonesBench);
  fixture.componentRef.setInput('componentId', 'card');
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
  const click = async (name: string) => {
    [...element.querySelectorAll('button')].find((one) => one.textContent.includes(name))?.click();
    await fixture.whenStable();
  };
  return { element, text, choose, click, editor: TestBed.inject(JobEditor) };
}

describe('zones bench', () => {
  beforeEach(() => {
    outcome = { ok: true, value: art };
    stopped = 0;
    // jsdom does not know what the system likes.
    localStorage.setItem('druckerei.theme', 'light');
  });

  it('takes zones and coverage of a read artwork into the job as one edit, which undoes as one', async () => {
    const { element, text, choose, click, editor } = await open();
    expect(element.querySelector('[data-test=zones]')).toBeNull();
    await choose('card.tif');
    expect(text()).toContain('656 x 909 pixels, 111 x 154 mm by its resolution');
    // 10 % of 39 pieces of 111 x 154 mm
    expect(text()).toContain('666.7 cm² of the sheet (10 % of the artwork) are over 300 %');
    const before = editor.job();
    await click('Take zones and coverage');
    const [k, silver] = editor.job()?.components[0]?.front ?? [];
    expect(k?.zones).toHaveLength(32);
    expect(k?.coverage).toBeGreaterThan(0.4);
    expect(silver?.zones).toBeUndefined();
    expect(element.querySelectorAll('[data-test=zones] tbody tr')).toHaveLength(32);
    expect(element.querySelectorAll('rect.zone')).toHaveLength(32);
    expect(element.querySelectorAll('dk-zone-chart')).toHaveLength(1);
    editor.undo();
    expect(editor.job()).toEqual(before);
  });

  it('says what is wrong with a file and changes nothing', async () => {
    outcome = { ok: false, issues: [error('artwork.encrypted', 'artwork')] };
    const { element, choose, editor } = await open();
    const before = editor.job();
    await choose('locked.pdf');
    expect(element.querySelector('[role=alert]')?.textContent).toContain('protected by a password');
    expect(editor.job()).toBe(before);
  });

  it('shows how far it is, and can be stopped', async () => {
    const { element, text, choose, click } = await open();
    await choose('slow.tif');
    expect(element.querySelector('[role=progressbar]')?.getAttribute('aria-valuenow')).toBe('50');
    await click('Stop');
    expect(stopped).toBe(1);
    expect(text()).toContain('Stopped. Nothing was changed');
  });

  it('tells an estimate as one', async () => {
    outcome = { ok: true, value: { ...art, estimate: 'Estimate from RGB: …' } };
    const { text, choose } = await open();
    await choose('card.png');
    expect(text()).toContain('Estimate from RGB');
  });
});
