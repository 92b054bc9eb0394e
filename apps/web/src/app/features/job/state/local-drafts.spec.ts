import { TestBed } from '@angular/core/testing';
import { provideMockStore, MockStore } from '@ngrx/store/testing';
import type { Job } from '@druckerei/core';
import type { Account } from '@druckerei/contract';
import { sessionFeature } from '../../../platform/session.state';
import type { LocalDraft } from './job.state';
import { LocalDrafts } from './local-drafts';

const trailMap = jest.requireActual<Job>('../../../../../../../docs/examples/trail-map.json');
const account = (id: number): Account => ({ id, login: `a${id}`, name: `Person ${id}`, role: 'manager' });
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
  const signIn = (who: Account | undefined): void => {
    store.overrideSelector(sessionFeature.selectAccount, who);
    store.refreshState();
  };
  beforeEach(() => {
    localStorage.clear();
    TestBed.configureTestingModule({
      providers: [provideMockStore({ selectors: [{ selector: sessionFeature.selectAccount, value: account(1) }] })],
    });
    store = TestBed.inject<MockStore>(MockStore);
    drafts = TestBed.inject(LocalDrafts);
  });
  afterEach(() => jest.restoreAllMocks());

  it('are whose who typed them: another person at the same computer sees none of them', () => {
    expect(drafts.keep(7, DRAFT)).toBe(true);
    expect(drafts.read(7)).toMatchObject({ version: 3, commands: DRAFT.commands });
    signIn(account(2));
    expect(drafts.read(7)).toBeNull();
    drafts.forget(7);
    signIn(undefined);
    expect([drafts.read(7), drafts.keep(7, DRAFT)]).toEqual([null, false]);
    signIn(account(1));
    expect(drafts.read(7)?.commands).toEqual(DRAFT.commands);
  });

  it.each([
    ['cut short', '{"form":2,"vers'],
    ['of another form', JSON.stringify({ ...DRAFT, form: 1 })],
    ['of a job that is none', JSON.stringify({ ...DRAFT, form: 2, base: { title: 'x' } })],
    ['with a cursor behind its end', JSON.stringify({ ...DRAFT, form: 2, cursor: 9 })],
    ['that is no draft', '7'],
  ])('%s are left alone', (_, text) => {
    localStorage.setItem('druckerei.draft.1.7', text);
    expect(drafts.read(7)).toBeNull();
  });

  it('say when this computer does not keep them', () => {
    jest.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
      throw new DOMException('full', 'QuotaExceededError');
    });
    expect(drafts.keep(7, DRAFT)).toBe(false);
  });
});
