import { wordOf, withinSentence } from '@druckerei/core';
import { type Account, type Endpoint, type EndpointId, RIGHTS } from '@druckerei/contract';
import { ProblemError } from './problem.js';

/** Whether the works lets an account in by a second factor alone. */
export const wantsFactor = ({ wantsSecondFactor, rights }: Account): boolean =>
  wantsSecondFactor === 'everybody' || (wantsSecondFactor === 'managers' && rights.includes('people'));

/** What somebody may do who still has to take up a second factor: that, and leave. */
const BEFORE_FACTOR: readonly EndpointId[] = [
  'signOut',
  'ownSettings',
  'ownPassword',
  'beginSecondFactor',
  'setSecondFactor',
];

/** Rights that only people have, whatever the role of a program. */
const NOT_FOR_PROGRAMS: readonly Endpoint['right'][] = ['people', 'backup'];

/** Refuses who may not. @param refused told of somebody signed in who tried. */
export function permit(
  { id, right, browser }: Pick<Endpoint, 'right' | 'browser'> & { readonly id: string },
  account: Account | undefined,
  refused: (account: Account) => void,
): void {
  if (account?.program && (browser || NOT_FOR_PROGRAMS.includes(right)))
    throw new ProblemError(403, $localize`No program may do this`, {
      detail: $localize`It is for somebody who signs in at a browser.`,
    });
  if (right === 'public') return;
  if (!account) throw new ProblemError(401, $localize`Sign in first`);
  if (
    wantsFactor(account) &&
    !account.secondFactor &&
    !account.program &&
    !(BEFORE_FACTOR as readonly string[]).includes(id)
  )
    throw new ProblemError(403, $localize`Take up a second factor first`, {
      detail: $localize`The works wants one of you. You find it in the menu with your name.`,
    });
  if (right === 'signed in' || account.rights.includes(right)) return;
  refused(account);
  throw new ProblemError(403, $localize`The role ${account.roleName} may not do this`, {
    detail: $localize`This is for those who may: ${withinSentence(wordOf(RIGHTS[right]))}.`,
  });
}
