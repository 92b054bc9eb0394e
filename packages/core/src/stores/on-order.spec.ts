import fc from 'fast-check';
import { SHIPPED_WORKS, paperKey } from '../works/index.js';
import { type Holding, buyList } from './buy.js';
import { type Need } from './needs.js';
import { type OnOrder, onOrderFor, openOf, sharesOf, shortOf } from './on-order.js';

const PAPER = { stock: 'silk-115', widthMm: 1020, heightMm: 720, grain: 'width' } as const;
const KEY = paperKey(PAPER);
const need = (quantity: number): Need => ({
  key: KEY,
  kind: 'sheets',
  name: 'Silk',
  quantity,
  unit: 'sheets',
  pack: 500,
  paper: PAPER,
});
const lot = (quantity: number): Holding => ({ id: 1, key: KEY, paper: PAPER, quantity, place: '' });
const order = (quantity: number, day: string, jobs: OnOrder['jobs'] = []): OnOrder => ({
  key: KEY,
  quantity,
  day,
  order: `P-${day}`,
  jobs,
});

/** Pieces that cannot be served, one by one: the largest matching of wanted pieces to pieces that come in time. */
function unmatched(wanted: readonly string[], coming: readonly string[]): number {
  const takenBy = new Array<number | undefined>(coming.length);
  const serve = (want: number, tried: Set<number>): boolean =>
    coming.some((day, i) => {
      if (day > (wanted[want] ?? '') || tried.has(i)) return false;
      tried.add(i);
      const other = takenBy[i];
      if (other !== undefined && !serve(other, tried)) return false;
      takenBy[i] = want;
      return true;
    });
  return wanted.filter((_, want) => !serve(want, new Set())).length;
}

describe('what is short', () => {
  const day = fc.integer({ min: 1, max: 6 }).map((n) => `2026-12-0${n}`);

  it('is what no hand-out could serve (differential, against the largest matching of single pieces)', () => {
    const some = fc.array(fc.record({ quantity: fc.integer({ min: 1, max: 4 }), day }), { maxLength: 5 });
    fc.assert(
      fc.property(some, some, fc.integer({ min: 0, max: 5 }), (wants, coming, there) => {
        const pieces = (of: typeof wants): string[] =>
          of.flatMap((one) => new Array<string>(one.quantity).fill(one.day));
        const fromStart = new Array<string>(there).fill('2026-11-01');
        expect(
          shortOf(
            wants.map(({ quantity, day: due }) => ({ quantity, due })),
            there,
            coming,
          ),
        ).toBe(unmatched(pieces(wants), [...fromStart, ...pieces(coming)]));
      }),
      { seed: 7, numRuns: 300 },
    );
  });

  it('waits for any day where nobody has said one', () => {
    expect(shortOf([{ quantity: 5, due: null }], 1, [order(4, '2031-01-01')])).toBe(0);
  });
});

describe('a purchase list with orders on their way', () => {
  const jobs = [
    { job: 1, due: '2026-12-20', needs: [need(800)] },
    { job: 2, due: '2026-12-05', needs: [need(700)] },
  ];

  it('counts what comes by the day of the job that wants it (identity)', () => {
    const [line] = buyList(jobs, [lot(300)], [], [order(600, '2026-12-04'), order(500, '2026-12-18')], SHIPPED_WORKS);
    // 1,500 wanted: 300 lie there, 600 and 500 come in time; 100 are short, for the job that is due last.
    expect(line).toMatchObject({
      fromStock: 300,
      coming: 1100,
      late: 0,
      short: 100,
      packs: 1,
      shares: [{ job: 1, quantity: 100 }],
    });
    expect(line?.orders.map(({ order: number }) => number)).toEqual(['P-2026-12-04', 'P-2026-12-18']);
  });

  it('says what comes too late, and buys it once more only where the day stands', () => {
    const [line] = buyList(jobs, [], [], [order(1500, '2026-12-10')], SHIPPED_WORKS);
    expect(line).toMatchObject({ coming: 800, late: 700, short: 700, shares: [{ job: 2, quantity: 700 }] });
    const [sooner] = buyList(jobs, [], [], [order(1500, '2026-12-05')], SHIPPED_WORKS);
    expect(sooner).toMatchObject({ coming: 1500, late: 0, short: 0, ordered: 0, shares: [] });
  });

  it('gives the store and what comes to the job that is due first', () => {
    const [line] = buyList(jobs, [lot(500)], [], [], SHIPPED_WORKS);
    expect(line?.shares).toEqual([
      { job: 2, quantity: 200 },
      { job: 1, quantity: 800 },
    ]);
  });

  it('tells ten thousand jobs what is short for each, and the shares make up the whole (identity)', () => {
    const many = Array.from({ length: 10_000 }, (_, job) => ({
      job,
      due: `2026-12-${String(1 + (job % 28)).padStart(2, '0')}`,
      needs: [need(1)],
    }));
    const [line] = buyList(many, [lot(400)], [], [order(5000, '2026-12-15')], SHIPPED_WORKS);
    const shares = line?.shares ?? [];
    expect(shares.reduce((sum, { quantity }) => sum + quantity, 0)).toBe(line?.short);
    // By the 14th 5,002 are wanted and 400 are there; by the 28th 10,000, and 5,400 of them.
    expect(line).toMatchObject({ short: 4602, coming: 4998, late: 2 });
  });

  it('takes of an order what is meant for one job, and leaves the rest to the others', () => {
    const all = [
      order(1000, '2026-12-04', [
        { job: 1, quantity: 400 },
        { job: 2, quantity: 600 },
      ]),
      order(90, '2026-12-04'),
    ];
    expect(onOrderFor(all, 2)).toEqual([{ ...all[0], quantity: 600 }]);
    expect(onOrderFor([{ ...order(100, '2026-12-04', [{ job: 1, quantity: 400 }]) }], 1)[0]?.quantity).toBe(100);
  });
});

describe('a delivery', () => {
  const jobs = [
    { job: 4, quantity: 300 },
    { job: 9, quantity: 500 },
  ];

  it('goes to the jobs it was ordered for, in their order, once (identity)', () => {
    expect(sharesOf(jobs, 0, 200)).toEqual([{ job: 4, quantity: 200 }]);
    expect(sharesOf(jobs, 200, 400)).toEqual([
      { job: 4, quantity: 100 },
      { job: 9, quantity: 300 },
    ]);
    expect(sharesOf(jobs, 800, 100)).toEqual([]);
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 400 }), { maxLength: 6 }), (parts) => {
        let received = 0;
        const had = new Map<number, number>();
        for (const came of parts) {
          for (const { job, quantity } of sharesOf(jobs, received, came)) had.set(job, (had.get(job) ?? 0) + quantity);
          received += came;
        }
        expect([had.get(4) ?? 0, had.get(9) ?? 0]).toEqual([
          Math.min(300, received),
          Math.max(0, Math.min(800, received) - 300),
        ]);
      }),
      { seed: 3 },
    );
  });

  it('leaves nothing open where more came than was ordered', () => {
    expect([openOf({ quantity: 10, received: 4 }), openOf({ quantity: 10, received: 12 })]).toEqual([6, 0]);
  });
});
