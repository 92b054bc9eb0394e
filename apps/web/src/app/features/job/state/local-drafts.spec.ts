import { TestBed } from '@angular/core/testing';
import { provideMockStore, MockStore } from '@ngrx/store/testing';
import type { Job } from '@druckerei/core';
import type { Account } from '@druckerei/contract';
import { sessionFeature } from '../../../platform/session.state';
import { Tab } from '../../../platform/tab';
import { unsentDrafts } from '../../../platform/unsent';
import type { LocalDraft } from './job.state';
import { LocalDrafts } from './local-drafts';
import { testAccount } from '../../../platform/account.fixture';

const trailMap = jest.requireActual<Job>('../../../../../../../docs/examples/trail-map.json');
const account = (id: number): Account => testAccount(undefined, id);
const DRAFT: LocalDraft = {
  version: 3,
  base: trailMap,
  commands: [{ kind: 'set', path: ['title'], value: 'Mine' }],
  cursor: 1,
  pending: {},
  unsaved: true,
};

describe('drafts on this computer', () => {
  let store: MockStore;
  let drafts: LocalDrafts;
  const tab = { id: 'one', others: (): Promise<ReadonlySet<string>> => Promise.resolve(new Set<string>()) };
  const signIn = (who: Account | undefined): void => {
    store.overrideSelector(sessionFeature.selectAccount, who);
    store.refreshState();
  };
  beforeEach(() => {
    localStorage.clear();
    tab.id = 'one';
    tab.others = () => Promise.resolve(new Set());
    TestBed.configureTestingModule({
      providers: [
        provideMockStore({ selectors: [{ selector: sessionFeature.selectAccount, value: account(1) }] }),
        { provide: Tab, useValue: tab },
      ],
    });
    store = TestBed.inject<MockStore>(MockStore);
    drafts = TestBed.inject(LocalDrafts);
  });
  afterEach(() => jest.restoreAllMocks());

  it('are whose who typed them: another person at the same computer sees none of them', async () => {
    expect(drafts.keep(7, DRAFT)).toBe(true);
    expect(await drafts.find(7)).toMatchObject({ version: 3, commands: DRAFT.commands });
    signIn(account(2));
    expect(await drafts.find(7)).toBeNull();
    drafts.forget(7);
    signIn(undefined);
    expect([await drafts.find(7), drafts.keep(7, DRAFT)]).toEqual([null, false]);
    signIn(account(1));
    expect((await drafts.find(7))?.commands).toEqual(DRAFT.commands);
    expect([unsentDrafts(1), unsentDrafts(2)]).toEqual([[trailMap.number], []]);
  });

  it('are of the tab that they were typed in while it is open, and taken over from one that is gone', async () => {
    drafts.keep(7, DRAFT);
    tab.id = 'two';
    tab.others = () => Promise.resolve(new Set(['one']));
    expect(await drafts.find(7)).toBeNull();
    tab.others = () => Promise.resolve(new Set());
    expect((await drafts.find(7))?.commands).toEqual(DRAFT.commands);
    // It is this tab's now, and nobody else's.
    tab.id = 'three';
    tab.others = () => Promise.resolve(new Set(['two']));
    expect(await drafts.find(7)).toBeNull();
  });

  it('of two tabs that are gone come one after the other, the latest first', async () => {
    jest.spyOn(Date, 'now').mockReturnValue(2_000);
    drafts.keep(7, { ...DRAFT, version: 2 });
    tab.id = 'two';
    jest.spyOn(Date, 'now').mockReturnValue(1_000);
    drafts.keep(7, { ...DRAFT, version: 1 });
    tab.id = 'three';
    expect((await drafts.find(7))?.version).toBe(2);
    drafts.forget(7);
    expect((await drafts.find(7))?.version).toBe(1);
    drafts.forget(7);
    expect(await drafts.find(7)).toBeNull();
  });

  it('of the form before, which knew no tabs, are taken over too', async () => {
    localStorage.setItem('druckerei.draft.1.7', JSON.stringify({ ...DRAFT, form: 2 }));
    localStorage.setItem('druckerei.draft.1.77', JSON.stringify({ ...DRAFT, form: 2, version: 9 }));
    expect((await drafts.find(7))?.version).toBe(3);
  });

  it.each([
    ['cut short', '{"form":3,"vers'],
    ['of another form', JSON.stringify({ ...DRAFT, form: 1 })],
    ['of a job that is none', JSON.stringify({ ...DRAFT, form: 3, base: { title: 'x' } })],
    ['with a cursor behind its end', JSON.stringify({ ...DRAFT, form: 3, cursor: 9 })],
    ['that is no draft', '7'],
  ])('%s are left alone', async (_, text) => {
    localStorage.setItem('druckerei.draft.1.7.one', text);
    expect(await drafts.find(7)).toBeNull();
  });

  it('say when this computer does not keep them', () => {
    jest.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
      throw new DOMException('full', 'QuotaExceededError');
    });
    expect(drafts.keep(7, DRAFT)).toBe(false);
  });
});
