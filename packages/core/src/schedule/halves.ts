import type { Link, Mode, Operation, Sequence, Shop } from './shop.js';

/** A shop with work cut in two, and the sequence with each second half right behind its first. */
export interface Halved {
  readonly shop: Shop;
  readonly sequence: Sequence;
  /** Of each operation that was cut its second half; the first keeps its index. */
  readonly second: ReadonlyMap<number, number>;
}

/** Half of what a machine runs; what takes no machine lies as long as ever. @param setsUp it is set up for this half, too. */
const halfOf = ({ modes }: Operation, round: (minutes: number) => number, setsUp: boolean): Mode[] =>
  modes.map((mode) =>
    mode.machine === undefined ? mode : { ...mode, run: round(mode.run / 2), setUp: setsUp ? mode.setUp : 0 },
  );

/** The same sequence with every second half behind its first, on the same machine with the same people. */
function withSeconds(sequence: Sequence, count: number, second: Halved['second']): Sequence {
  const [modes, beside] = [[...sequence.modes], [...sequence.beside]];
  for (const [operation, half] of second) {
    modes[half] = sequence.modes[operation] ?? 0;
    beside[half] = sequence.beside[operation] ?? [];
  }
  const order = sequence.order.flatMap((operation) => {
    const half = second.get(operation);
    return half === undefined ? [operation] : [operation, half];
  });
  if (order.length !== count) throw new Error('a half was lost');
  return { order, modes, beside };
}

/**
 * One operation in two halves that can run beside each other, each with a set-up of its own: what follows waits for both.
 * Source: identity; the set-up is paid twice.
 */
export function splitInTwo(shop: Shop, sequence: Sequence, operation: number): Halved {
  const half = shop.operations.length;
  const operations = shop.operations.map((one, i): Operation => {
    const behind = one.after.filter((link) => link.operation === operation);
    const after = [...one.after, ...behind.map((link): Link => ({ ...link, operation: half }))];
    return i === operation ? { ...one, modes: halfOf(one, Math.ceil, true) } : { ...one, after };
  });
  const own = shop.operations[operation];
  if (own) operations.push({ ...own, id: `${own.id}+`, modes: halfOf(own, Math.floor, true), pinned: undefined });
  const second = new Map([[operation, half]]);
  return { shop: { ...shop, operations }, sequence: withSeconds(sequence, operations.length, second), second };
}

/**
 * An order in two deliveries: each of its operations that has not begun runs the first half of the goods, the second right behind it and without
 * another set-up, if nothing comes between. The second delivery is a last order of its own. What lies and takes no machine lies as long as ever.
 * Source: identity (lot streaming).
 */
export function halfFirst(shop: Shop, sequence: Sequence, order: number): Halved {
  const own = shop.operations.flatMap((one, i) => (one.order === order && !one.frozen ? [i] : []));
  const second = new Map(own.map((operation, k) => [operation, shop.operations.length + k]));
  const twice = (share: number): number => Math.min(1, share * 2);
  // A pile is twice the share of half the goods.
  const linkOf = (link: Link, to: number): Link => ({
    ...link,
    operation: to,
    piles:
      link.piles && second.has(link.operation)
        ? { first: twice(link.piles.first), last: twice(link.piles.last) }
        : link.piles,
  });
  const operations = shop.operations.map((one, i): Operation => {
    if (!second.has(i)) return one;
    const after = one.after.map((link) => linkOf(link, link.operation));
    return { ...one, after, modes: halfOf(one, Math.ceil, true) };
  });
  for (const operation of own) {
    const one = shop.operations[operation];
    if (!one) continue;
    operations.push({
      ...one,
      id: `${one.id}+`,
      order: shop.orders.length,
      after: one.after.map((link) => linkOf(link, second.get(link.operation) ?? link.operation)),
      modes: halfOf(one, Math.floor, false),
      pinned: undefined,
    });
  }
  const orders = [...shop.orders, { id: `${shop.orders[order]?.id ?? ''}+`, due: undefined, weight: 0 }];
  return {
    shop: { ...shop, operations, orders },
    sequence: withSeconds(sequence, operations.length, second),
    second,
  };
}
