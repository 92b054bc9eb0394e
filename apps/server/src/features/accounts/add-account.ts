import { hash } from '@node-rs/argon2';
import type { Queries } from '../../db/database.js';

/** argon2id, 19 MiB and two passes. Source: standard, RFC 9106 as reduced by common practice for sign-in pages. */
export const HASHING = { memoryCost: 19_456, timeCost: 2, parallelism: 1 } as const;

export interface NewAccount {
  readonly login: string;
  readonly name: string;
  readonly role: string;
  readonly password: string;
  readonly demo: boolean;
}

export async function addAccount(queries: Queries, account: NewAccount): Promise<void> {
  await queries.one(
    'accounts/add',
    account.login,
    account.name,
    account.role,
    await hash(account.password, HASHING),
    account.demo,
  );
}
