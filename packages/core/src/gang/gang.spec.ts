import fc from 'fast-check';
import highsLoader from 'highs';
import type { GangAnswer, GangItem, GangRequest } from './gang.js';
import { type Solve, planGang } from './plan-gang.js';

// Outside reference and the solver that ships: a general-purpose mixed-integer solver.
// The package's types speak of CommonJS; what is imported here is the loader itself.
const solver = (
  highsLoader as unknown as () => Promise<{
    solve(lp: string, options: object): { Status: string; Columns: Record<string, { Primal?: number }> };
  }>
)();
const solve: Solve = async (lp) => {
  const { Status, Columns } = (await solver).solve(lp, { random_seed: 1 });
  if (Status !== 'Optimal') return undefined;
  return Object.fromEntries(Object.entries(Columns).map(([name, { Primal = 0 }]) => [name, Primal]));
};

const card = (id: string, quantity: number): GangItem => ({ id, widthMm: 100, heightMm: 50, quantity, mayTurn: false });
const request = (items: GangItem[], change: Partial<GangRequest> = {}): GangRequest => ({
  items,
  widthMm: 200,
  heightMm: 100,
  mostForms: 2,
  formCost: 60,
  sheetCost: 0.1,
  ...change,
});
const planned = async (asked: GangRequest): Promise<GangAnswer> => {
  const { answer, issues } = await planGang(asked, solve);
  if (!answer) throw new Error(issues.map(({ code }) => code).join());
  return answer;
};

/** Least cost by trying every two fillings of equal slots and every split of the sheets: slow and plain. */
function exhaustive({ items, formCost, sheetCost, mostForms }: GangRequest, slots: number): number {
  const fillings: number[][] = [];
  const fill = (counts: number[], left: number): void => {
    if (counts.length === items.length) {
      if (left === 0) fillings.push(counts);
      return;
    }
    for (let n = 0; n <= left; n++) fill([...counts, n], left - n);
  };
  fill([], slots);
  const most = Math.max(...items.map(({ quantity }) => quantity));
  let best = Infinity;
  const need = (counts: readonly number[], left: readonly number[]): number =>
    Math.max(...left.map((q, i) => (q <= 0 ? 0 : (counts[i] ?? 0) === 0 ? Infinity : Math.ceil(q / (counts[i] ?? 1)))));
  const wanted = items.map(({ quantity }) => quantity);
  for (const a of fillings) {
    const alone = need(a, wanted);
    if (alone < Infinity) best = Math.min(best, formCost + alone * sheetCost);
    if (mostForms < 2) continue;
    for (const b of fillings) {
      for (let sheets = 1; sheets <= most; sheets++) {
        const rest = need(
          b,
          wanted.map((q, i) => q - sheets * (a[i] ?? 0)),
        );
        if (rest < Infinity) best = Math.min(best, 2 * formCost + (sheets + rest) * sheetCost);
      }
    }
  }
  return best;
}

describe('gang sheets', () => {
  it('3,000 A at 3 up and 4,000 B at 5 up is 1,000 sheets, 1,000 B over (identity, handbook chapter 6)', async () => {
    const answer = await planned(request([card('a', 3000), card('b', 4000)], { widthMm: 400, mostForms: 1 }));
    // eight slots: 3 + 5 needs max(1,000, 800) sheets, 4 + 4 the same
    expect(answer.sheets).toBe(1000);
    expect(answer.overruns.reduce((a, b) => a + b, 0)).toBe(1000);
  });

  it('is the least that trying everything finds, on small gangs (identity)', async () => {
    const quantity = fc.integer({ min: 1, max: 40 });
    await fc.assert(
      fc.asyncProperty(
        fc.array(quantity, { minLength: 1, maxLength: 3 }),
        fc.constantFrom(1, 2),
        fc.constantFrom(1, 8),
        async (quantities, mostForms, formCost) => {
          const asked = request(
            quantities.map((n, i) => card(`i${i}`, n)),
            { mostForms, formCost },
          );
          const least = exhaustive(asked, 4);
          const answer = await planned(asked);
          expect(answer.cost).toBeCloseTo(least, 6);
          expect(answer.bound).toBeLessThanOrEqual(answer.cost + 1e-9);
          expect((1 + answer.gap) * answer.bound).toBeCloseTo(answer.cost, 9);
        },
      ),
      { numRuns: 25 },
    );
  });

  it('meets every quantity with pieces inside the form and apart, whatever the sizes (identity, checked piece by piece)', async () => {
    const item = fc.record({
      widthMm: fc.integer({ min: 30, max: 190 }),
      heightMm: fc.integer({ min: 20, max: 90 }),
      quantity: fc.integer({ min: 100, max: 9000 }),
    });
    await fc.assert(
      fc.asyncProperty(fc.array(item, { minLength: 2, maxLength: 6 }), async (items) => {
        const asked = request(
          items.map((one, i) => ({ id: `i${i}`, mayTurn: true, ...one })),
          { mostForms: 4, widthMm: 500, heightMm: 350 },
        );
        const { answer } = await planGang(asked, solve);
        if (!answer) return;
        expect(Math.min(...answer.overruns)).toBeGreaterThanOrEqual(0);
        expect(answer.forms.length).toBeLessThanOrEqual(4);
        for (const { pieces, counts } of answer.forms) {
          counts.forEach((n, i) => expect(pieces.filter((piece) => piece.item === i)).toHaveLength(n));
          pieces.forEach((a, i) => {
            expect(a.xMm + a.widthMm).toBeLessThanOrEqual(500.001);
            expect(a.yMm + a.heightMm).toBeLessThanOrEqual(350.001);
            for (const b of pieces.slice(i + 1)) {
              const apart =
                a.xMm + a.widthMm <= b.xMm + 0.001 ||
                b.xMm + b.widthMm <= a.xMm + 0.001 ||
                a.yMm + a.heightMm <= b.yMm + 0.001 ||
                b.yMm + b.heightMm <= a.yMm + 0.001;
              expect(apart).toBe(true);
            }
          });
        }
      }),
      { numRuns: 12 },
    );
  });

  it('saves against running each alone, and tells better answers as they come', async () => {
    const told: number[] = [];
    const asked = request([card('a', 1000), card('b', 1000), card('c', 2000)], { mostForms: 3 });
    const { answer } = await planGang(asked, solve, ({ cost }) => told.push(cost));
    expect(answer?.cost).toBeLessThan(answer?.alone ?? 0);
    expect([...told].sort((a, b) => b - a)).toEqual(told);
    expect(told.at(-1)).toBe(answer?.cost);
  });

  it.each<[string, GangRequest]>([
    ['gang.no-items gang.items', request([])],
    ['gang.item-too-large gang.items[0]', request([{ ...card('a', 1), widthMm: 300 }])],
    ['gang.quantity gang.items[0].quantity', request([card('a', 0)])],
    ['gang.forms gang.mostForms', request([card('a', 1)], { mostForms: 0 })],
    [
      'gang.too-few-forms gang.mostForms',
      request(
        'abcdef'.split('').map((id) => card(id, 10)),
        { mostForms: 1 },
      ),
    ],
  ])('%s', async (wanted, asked) => {
    const { issues } = await planGang(asked, solve);
    expect(issues.map(({ code, path }) => `${code} ${path}`)).toEqual([wanted]);
  });
});
