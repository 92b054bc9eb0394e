import type { Account } from '@druckerei/contract';

/** Whether somebody is told what things cost. */
export const seesPrices = ({ rights }: Pick<Account, 'rights'>): boolean => rights.includes('prices');
