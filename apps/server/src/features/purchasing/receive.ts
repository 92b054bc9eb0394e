import { openOf, sharesOf, wordOf } from '@druckerei/core';
import type { Account, FieldError, KeptPurchase, NewReceipt } from '@druckerei/contract';
import type { Database } from '../../db/database.js';
import { ProblemError, invalid } from '../../http/problem.js';
import { lockKind } from '../changes/changes.js';
import { reserveMore } from '../stores/reservations.js';
import { refuseParts } from '../stores/refusals.js';
import { finishedJobs, putIn } from '../stores/stores.js';
import { type LockedPurchase, lockPurchase, readPurchase } from './read-purchases.js';

/** Refuses lines that the order does not have, that come twice in one delivery, and parts of a sheet. */
function wrongLines({ body }: LockedPurchase, { lines }: NewReceipt): FieldError[] {
  return lines.flatMap(({ line }, i): FieldError[] => {
    if (body.lines[line] === undefined)
      return [{ path: `lines[${i}].line`, message: $localize`The order has ${body.lines.length} lines.` }];
    return lines.findIndex((other) => other.line === line) < i
      ? [{ path: `lines[${i}].line`, message: $localize`This line comes twice in the delivery. Enter the sum of it.` }]
      : [];
  });
}

/**
 * What has come of an order lies in the store from now on, each line as a lot; what jobs were to have of it is reserved for them,
 * unless they need it no more. An order that has come whole is closed.
 */
export const receive = (
  database: Database,
  account: Pick<Account, 'id' | 'rights'>,
  id: number,
  receipt: NewReceipt,
): Promise<KeptPurchase> =>
  database.transaction(async (queries) => {
    const order = await lockPurchase(queries, id, receipt.version);
    if (order.state !== 'sent')
      throw new ProblemError(409, $localize`This order is ${wordOf(order.state)}\: nothing of it can come in`);
    const errors = [
      ...wrongLines(order, receipt),
      ...receipt.lines.flatMap(({ line, quantity }, i) =>
        refuseParts(order.body.lines[line]?.key ?? '', quantity, `lines[${i}].quantity`),
      ),
    ];
    if (errors.length > 0) throw invalid(errors);
    await lockKind(queries, 'reservation');
    const before = await queries.many<{ line: number; received: number }>('purchasing/received', id);
    const received = new Map(before.map((one) => [one.line, one.received]));
    const ended = new Set(await finishedJobs(queries));
    for (const { id: aside } of await queries.many<{ id: number }>('purchasing/aside-jobs', id)) ended.add(aside);
    const reason = [$localize`order ${order.number}`, receipt.note].filter(Boolean).join(', ');
    for (const { line, quantity, place } of receipt.lines) {
      const of = order.body.lines[line];
      if (!of) continue;
      const { key, paper, other, jobs } = of;
      await putIn(queries, account, { key, paper, other, quantity, place, reason });
      for (const share of sharesOf(jobs, received.get(line) ?? 0, quantity))
        if (!ended.has(share.job)) await reserveMore(queries, account, { ...share, key });
      received.set(line, (received.get(line) ?? 0) + quantity);
    }
    await queries.one('purchasing/add-receipt', id, receipt.note ?? null, receipt.lines, account.id);
    const isWhole = order.body.lines.every(
      ({ quantity }, i) => openOf({ quantity, received: received.get(i) ?? 0 }) === 0,
    );
    await queries.one('purchasing/set-state', id, isWhole ? 'closed' : 'sent', null, account.id);
    return readPurchase(queries, account, id);
  });
