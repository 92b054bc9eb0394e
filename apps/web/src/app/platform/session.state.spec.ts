import { testAccount } from './account.fixture';
import { SessionActions, needsFactor, selectMay, sessionFeature } from './session.state';

const signedIn = (rights: Parameters<typeof testAccount>[0]) => ({
  [sessionFeature.name]: sessionFeature.reducer(
    undefined,
    SessionActions.found({ account: testAccount(rights), demo: false, first: false }),
  ),
});

describe('what somebody may do', () => {
  it('is what their role says, and nothing where nobody is signed in', () => {
    const state = signedIn(['plan', 'record']);
    expect((['plan', 'release', 'record'] as const).map((right) => selectMay(right)(state))).toEqual([
      true,
      false,
      true,
    ]);
    const nobody = { [sessionFeature.name]: sessionFeature.reducer(undefined, { type: 'begin' }) };
    expect(selectMay('plan')(nobody)).toBe(false);
  });

  it.each([
    ['nobody', [], false, false],
    ['managers', [], false, false],
    ['managers', ['people'], false, true],
    ['managers', ['people'], true, false],
    ['everybody', [], false, true],
    ['everybody', [], true, false],
  ] as const)(
    'where %s wants a second factor, with %j, having one %s: %s',
    (wantsSecondFactor, rights, secondFactor, needs) => {
      expect(needsFactor({ ...testAccount(rights), wantsSecondFactor, secondFactor })).toBe(needs);
    },
  );
});
