import { TestBed } from '@angular/core/testing';
import { Store, provideState, provideStore } from '@ngrx/store';
import type { LiveMessage, Revision } from '@druckerei/contract';
import { Subject, of } from 'rxjs';
import { testAccount } from '../../../platform/account.fixture';
import { Api } from '../../../platform/api';
import { Live } from '../../../platform/live';
import { SessionActions, sessionFeature } from '../../../platform/session.state';
import { example, revisionOf } from '../job.fixture';
import { ChangedElsewhere } from './changed-elsewhere';
import { JobActions, jobFeature } from './job.state';
import { OtherTabs } from './other-tabs';

const JOB = example('trail-map');
const CHANGED = { ...JOB, order: { ...JOB.order, quantity: 12_000 } };

function open(change: Partial<Revision> = {}) {
  const said = new Subject<LiveMessage>();
  const onServer = { version: 1 };
  TestBed.configureTestingModule({
    providers: [
      provideStore({ [sessionFeature.name]: sessionFeature.reducer }),
      provideState(jobFeature),
      { provide: Api, useValue: { job: () => of(revisionOf(JOB, { ...onServer })) } },
      { provide: Live, useValue: { on: () => said } },
      { provide: OtherTabs, useValue: { isHere: (tab?: string) => tab === 'mine' } },
      ChangedElsewhere,
    ],
  });
  const store = TestBed.inject(Store);
  store.dispatch(SessionActions.found({ account: testAccount(), demo: false, first: false }));
  store.dispatch(JobActions.loaded({ revision: revisionOf(JOB, change), local: null }));
  const changed = TestBed.inject(ChangedElsewhere);
  TestBed.tick();
  const dispatched: unknown[] = [];
  const dispatch = jest
    .spyOn(store, 'dispatch')
    .mockImplementation(((action: unknown) => void dispatched.push(action)) as never);
  return { changed, store, said, dispatched, dispatch, onServer };
}

describe('a job that others change', () => {
  it.each<[string, LiveMessage, Partial<Revision>, string | undefined]>([
    ['this one', { topic: 'jobs', job: 7, by: 'Anna' }, {}, 'Anna has changed this job.'],
    ['another', { topic: 'jobs', job: 8, by: 'Anna' }, {}, undefined],
    ['in a tab of this browser', { topic: 'jobs', job: 7, by: 'Anna', tab: 'mine' }, {}, undefined],
    ['its works', { topic: 'works', by: 'Anna' }, {}, 'Anna has changed norms or machines of the works.'],
    ['its works, when it is released', { topic: 'works', by: 'Anna' }, { state: 'released' }, undefined],
    ['nobody knows, and nothing came of it', { topic: 'all', by: '' }, {}, undefined],
  ])('%s', (_, message, revision, told) => {
    const { changed, said } = open(revision);
    said.next(message);
    expect(changed.said()).toBe(told);
  });

  it('while nobody listened is told by its version', () => {
    const { changed, said, onServer } = open();
    onServer.version = 2;
    said.next({ topic: 'all', by: '' });
    expect(changed.said()).toBe('Somebody has changed this job.');
  });

  it('is loaded again when somebody looks, and says what differs until it is put away', () => {
    const { changed, store, said, dispatched, dispatch } = open();
    said.next({ topic: 'jobs', job: 7, by: 'Anna' });
    changed.look();
    expect(dispatched).toEqual([JobActions.lookAgain({ id: 7 })]);
    expect(changed.said()).toBeUndefined();
    dispatch.mockRestore();
    store.dispatch(JobActions.loaded({ revision: revisionOf(CHANGED, { version: 2 }), local: null }));
    TestBed.tick();
    expect(changed.changes()).toEqual([{ name: 'Order quantity', before: '10,000', after: '12,000' }]);
    changed.forget();
    expect(changed.changes()).toEqual([]);
  });
});
