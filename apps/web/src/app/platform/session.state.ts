import type { Account, Right } from '@druckerei/contract';
import { createActionGroup, createFeature, createReducer, createSelector, emptyProps, on, props } from '@ngrx/store';

/** Who sits in front of it. */
export type Who =
  | { readonly kind: 'unknown' }
  /** The server does not say: it is asked again. */
  | { readonly kind: 'unanswered' }
  | { readonly kind: 'nobody' }
  | { readonly kind: 'known'; readonly account: Account };
export type SignInState =
  { readonly kind: 'idle' } | { readonly kind: 'asking' } | { readonly kind: 'refused'; readonly message: string };

interface SessionState {
  readonly who: Who;
  readonly signIn: SignInState;
  /** Demo sign-ins exist and may be shown. */
  readonly demo: boolean;
  /** Nobody has an account yet. */
  readonly first: boolean;
}

export const SessionActions = createActionGroup({
  source: 'Session',
  events: {
    Found: props<{ account: Account | null; demo: boolean; first: boolean }>(),
    Unanswered: emptyProps(),
    'Sign in': props<{ login: string; password: string; code?: string; to: string }>(),
    'Signed in': props<{ account: Account; to: string }>(),
    Refused: props<{ message: string }>(),
    'Sign out': emptyProps(),
    'Signed out': emptyProps(),
  },
});

export const sessionFeature = createFeature({
  name: 'session',
  reducer: createReducer<SessionState>(
    { who: { kind: 'unknown' }, signIn: { kind: 'idle' }, demo: false, first: false },
    on(SessionActions.found, (state, { account, demo, first }): SessionState => ({
      ...state,
      demo,
      first,
      who: account ? { kind: 'known', account } : { kind: 'nobody' },
    })),
    on(SessionActions.unanswered, (state): SessionState => ({ ...state, who: { kind: 'unanswered' } })),
    on(SessionActions.signIn, (state): SessionState => ({ ...state, signIn: { kind: 'asking' } })),
    on(SessionActions.signedIn, (state, { account }): SessionState => ({
      ...state,
      who: { kind: 'known', account },
      first: false,
      signIn: { kind: 'idle' },
    })),
    on(SessionActions.refused, (state, { message }): SessionState => ({
      ...state,
      signIn: { kind: 'refused', message },
    })),
    on(SessionActions.signedOut, (state): SessionState => ({ ...state, who: { kind: 'nobody' } })),
  ),
  extraSelectors: ({ selectWho }) => ({
    selectUnknown: createSelector(selectWho, ({ kind }) => kind === 'unknown'),
    selectUnanswered: createSelector(selectWho, ({ kind }) => kind === 'unanswered'),
    selectAccount: createSelector(selectWho, (who) => (who.kind === 'known' ? who.account : undefined)),
  }),
});

const { selectAccount } = sessionFeature;
const selectRight = (right: Right) =>
  createSelector(selectAccount, (account) => account?.rights.includes(right) ?? false);
const MAY: Readonly<Record<Right, ReturnType<typeof selectRight>>> = {
  plan: selectRight('plan'),
  release: selectRight('release'),
  norms: selectRight('norms'),
  machines: selectRight('machines'),
  customers: selectRight('customers'),
  record: selectRight('record'),
  accountable: selectRight('accountable'),
  explain: selectRight('explain'),
  prices: selectRight('prices'),
  buy: selectRight('buy'),
  schedule: selectRight('schedule'),
  stores: selectRight('stores'),
  settings: selectRight('settings'),
  people: selectRight('people'),
  backup: selectRight('backup'),
};

/** Whether whoever is signed in may do something: a selector, one for each right. */
export const selectMay = (right: Right) => MAY[right];

/** Where whoever is signed in enters what happens. */
export const selectOwnStations = createSelector(selectAccount, (account) => account?.stations ?? 'all');

/** Whether somebody has to take up a second factor before anything else. */
export const needsFactor = ({ secondFactor, wantsSecondFactor, rights }: Account): boolean =>
  !secondFactor &&
  (wantsSecondFactor === 'everybody' || (wantsSecondFactor === 'managers' && rights.includes('people')));
