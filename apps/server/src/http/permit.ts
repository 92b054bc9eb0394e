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

/** Refuses who may not. @param refused told of somebody signed in who tried. */
export function permit(
  { id, right }: Pick<Endpoint, 'right'> & { readonly id: string },
  account: Account | undefined,
  refused: (account: Account) => void,
): void {
  if (right === 'public') return;
  if (!account) throw new ProblemError(401, 'Sign in first');
  if (wantsFactor(account) && !account.secondFactor && !(BEFORE_FACTOR as readonly string[]).includes(id))
    throw new ProblemError(403, 'Take up a second factor first', {
      detail: 'The works wants one of you. You find it in the menu with your name.',
    });
  if (right === 'signed in' || account.rights.includes(right)) return;
  refused(account);
  throw new ProblemError(403, `The role ${account.roleName} may not do this`, {
    detail: `This is for those who may: ${RIGHTS[right].toLowerCase()}.`,
  });
}
