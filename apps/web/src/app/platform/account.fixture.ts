import { type Account, type Right, RIGHT_IDS } from '@druckerei/contract';

/** Somebody who may do what is told; everything where nothing is. */
export const testAccount = (rights: readonly Right[] = RIGHT_IDS, id = 1): Account => ({
  id,
  login: `a${id}`,
  name: `Person ${id}`,
  role: 'tested',
  roleName: 'Tested',
  rights: [...rights],
  stations: 'all',
  secondFactor: false,
  wantsSecondFactor: 'nobody',
});
