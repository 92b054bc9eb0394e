import { TestBed } from '@angular/core/testing';
import { reckonSure } from '@druckerei/core';
import { Store, provideStore } from '@ngrx/store';
import { SessionActions, sessionFeature } from '../../../platform/session.state';
import { example, revisionOf } from '../job.fixture';
import { JobEditor } from '../state/job-editor';
import { JobActions, jobFeature } from '../state/job.state';
import type { SureMessage, SureQuestion } from './sure.messages';
import { Sureness } from './sureness';
import { testAccount } from '../../../platform/account.fixture';

const asked: number[] = [];
// The worker answers at once, in the page's own thread, with fewer draws.
jest.mock('./sure.client', () => ({
  askSure: ({ job, works, ask }: SureQuestion, answered: (answer: SureMessage) => void) => {
    asked.push(ask.p ?? 0);
    answered({ kind: 'progress', share: 0.5 });
    answered({ kind: 'sure', outcome: reckonSure(job, works, { ...ask, draws: 300 }) });
    return () => undefined;
  },
}));

describe('sureness panel', () => {
  it('tells what is sure enough beside step by step, and asks anew when the handle or the job moves', async () => {
    // jsdom does not know what the system likes.
    localStorage.setItem('druckerei.theme', 'light');
    TestBed.configureTestingModule({
      providers: [provideStore({ job: jobFeature.reducer, [sessionFeature.name]: sessionFeature.reducer })],
    });
    const store = TestBed.inject(Store);
    const account = testAccount();
    store.dispatch(SessionActions.found({ account, demo: false, first: false }));
    store.dispatch(JobActions.loaded({ revision: revisionOf(example('concert-programme')), local: null }));
    const fixture = TestBed.createComponent(Sureness);
    await fixture.whenStable();
    const element = fixture.nativeElement as HTMLElement;
    const rows = () =>
      [...element.querySelectorAll('[data-test=sure] tbody tr')].map((row) =>
        [...row.querySelectorAll('th,td')].map((cell) => (cell.textContent ?? '').trim()),
      );
    expect(asked).toEqual([0.9]);
    expect(rows().map(([name, step]) => [name, step])).toEqual([
      ['Section of 32 pages', '3,536'],
      ['Section of 4 pages', '655'],
      ['Cover', '685'],
    ]);
    const before = rows().map((row) => row[2]);
    const handle = element.querySelector<HTMLInputElement>('input[matSliderThumb]');
    if (!handle) throw new Error('no handle');
    handle.value = '99';
    handle.dispatchEvent(new Event('change'));
    await fixture.whenStable();
    expect(asked).toEqual([0.9, 0.99]);
    expect(rows().map((row) => row[2])).not.toEqual(before);
    TestBed.inject(JobEditor).set(['order', 'quantity'], 6000);
    await fixture.whenStable();
    expect(asked).toHaveLength(3);
    expect(element.textContent).toContain('Where the uncertainty costs paper');
  });
});
