import fc from 'fast-check';
import { type StationEntry, Tally } from '../book/index.js';
import type { AccountEntry, AccountRules } from './entry.js';
import { type AccountContext, accountOpen, nextPile, pileGate, refuseAccount } from './gate.js';
import { AccountLedger, agreed, isWitnessed, outWith } from './ledger.js';
import { type AccountStep, accountWorth, piecesPerUnit } from './worth.js';

const STEPS: readonly AccountStep[] = [
  { id: 'print', name: 'Print', yield: 1, processUnits: 600, takes: [{ material: 'paper', usage: 1, from: null }] },
  { id: 'cut', name: 'Cut', yield: 20, processUnits: 550, takes: [{ material: 'print', usage: 1, from: 'print' }] },
  { id: 'box', name: 'Box', yield: 1, processUnits: 10_000, takes: [{ material: 'cut', usage: 1, from: 'cut' }] },
];

const RULES: AccountRules = { faceValue: 5, remake: 'same', pile: 100 };

/** A book of accountable work that keeps what it takes, entered by one person or another. */
class Account {
  readonly ledger = new AccountLedger();
  readonly tallies = new Map(STEPS.map(({ id }) => [id, new Tally()]));
  private last = 0;
  constructor(private readonly rules: AccountRules | null = RULES) {}

  context(by?: string): AccountContext {
    return {
      rules: this.rules ?? undefined,
      state: this.ledger,
      steps: STEPS,
      tallyOf: (id) => this.tallies.get(id) ?? new Tally(),
      by,
    };
  }
  /** Codes and places of what is refused; its number where it was taken. */
  enter(by: string, entry: AccountEntry): string[] | number {
    const refused = refuseAccount(this.context(by), entry).map(({ code, path }) => `${code} ${path}`);
    if (refused.length > 0) return refused;
    this.last++;
    this.ledger.add(entry, { id: this.last, at: new Date(Date.UTC(2026, 0, 1, 8, this.last)).toISOString(), by });
    return this.last;
  }
  count(entry: StationEntry): void {
    this.tallies.get(entry.step)?.add(entry, '2026-01-01T08:00:00Z');
  }
  pile(step: string, count: number): string[] {
    const entry = { kind: 'handed-on', step, pile: `${step}/${count}`, count } as const;
    const refused = pileGate(this.context(), entry).map(({ code }) => code);
    if (refused.length === 0) this.count(entry);
    return refused;
  }
  open(id: string, last = false): string[] {
    const step = STEPS.find((one) => one.id === id);
    return step ? accountOpen(this.context(), step, last).map(({ code }) => code) : [];
  }
}
/** Paper for the press, issued to it. */
const paperFor = (step: string, count: number): AccountEntry => ({
  ...{ kind: 'issued', of: 'paper', item: 'Document paper', count, to: 'Printer', step },
});
const spoil = (count: number, step = 'print'): StationEntry => ({
  ...{ kind: 'spoiled', step, count, reason: 'colour' },
  during: 'run',
});
const bag = (
  name: string,
  count: number,
  change: Partial<Extract<AccountEntry, { kind: 'bagged' }>> = {},
): AccountEntry => ({
  ...{ kind: 'bagged', step: 'print', bag: name, count, seal: `S-${name}`, place: 'Strong room' },
  ...change,
});

describe('what is issued by count', () => {
  it('comes back by whom it went to, and no more of it than went', () => {
    const book = new Account();
    const paper = { of: 'paper', item: 'Document paper' } as const;
    book.enter('A', { kind: 'issued', ...paper, count: 600, to: 'Printer', place: 'Press hall' });
    expect(book.enter('A', { kind: 'returned', ...paper, count: 601, from: 'Printer' })).toEqual([
      'account.above-out count',
    ]);
    expect(book.enter('A', { kind: 'returned', ...paper, count: 1, from: 'Binder' })).toEqual([
      'account.above-out count',
    ]);
    book.enter('A', { kind: 'returned', ...paper, count: 40, from: 'Printer', place: 'Strong room' });
    expect(outWith(book.ledger, 'paper', 'Document paper', 'Printer')).toBe(560);
    expect(book.ledger.places.get('Document paper')).toMatchObject({ place: 'Strong room', by: 'A' });
    book.enter('B', { kind: 'carried', what: 'Document paper', from: 'Strong room', to: 'Vault' });
    expect(book.ledger.places.get('Document paper')).toMatchObject({ place: 'Vault', by: 'B' });
  });

  it('is for jobs alone that are accountable', () => {
    expect(new Account(null).enter('A', { kind: 'carried', what: 'x', from: 'a', to: 'b' })).toEqual([
      'account.not-accountable kind',
    ]);
  });
});

describe('what is issued for a station', () => {
  const take = (count: number): StationEntry => ({ kind: 'taken-in', step: 'print', count });

  it('is taken in there or comes back before it is closed: issued = good + spoiled + samples + returned', () => {
    const book = new Account();
    book.count(take(580));
    book.count({ kind: 'left-over', step: 'print', count: 10 });
    // Bought paper that nobody issued is not accounted for.
    expect(book.open('print')).toEqual(['account.issue']);
    book.enter('A', paperFor('print', 600));
    expect(book.open('print')).toEqual(['account.issue']);
    const back = { kind: 'returned', of: 'paper', item: 'Document paper', from: 'Printer' } as const;
    expect(book.enter('A', { ...back, count: 30, step: 'cut' })).toEqual(['account.above-out count']);
    expect(book.enter('A', { ...back, count: 30, step: 'gild' })).toEqual([
      'room.unknown step',
      'account.above-out count',
    ]);
    book.enter('A', { ...back, count: 30, step: 'print' });
    expect(book.open('print')).toEqual([]);
  });

  it('is back whole where it is not used up: a plate, a die; ink is weighed', () => {
    const book = new Account();
    book.count({ kind: 'taken-in', step: 'cut', count: 10 });
    const plate = { of: 'plate', item: 'Plate 4', count: 1, step: 'cut' } as const;
    book.enter('A', { kind: 'issued', ...plate, to: 'Printer' });
    book.enter('A', { kind: 'issued', of: 'ink', item: 'Lamp ink', count: 2, step: 'cut', to: 'Printer' });
    expect(book.open('cut')).toEqual(['account.issue']);
    book.enter('A', { kind: 'returned', ...plate, from: 'Printer' });
    expect(book.open('cut')).toEqual([]);
  });

  it('is good, a sample or voided where it is a number', () => {
    const book = new Account();
    const numbers = { of: 'numbers', item: '000101 to 000210', step: 'box' } as const;
    book.count({ kind: 'taken-in', step: 'box', count: 107 });
    book.enter('A', { kind: 'issued', ...numbers, count: 110, to: 'Numbering' });
    book.count({ kind: 'good', step: 'box', count: 104 });
    book.count({ kind: 'samples', step: 'box', count: 1 });
    book.enter('A', { kind: 'voided', step: 'box', numbers: ['000104', '000105'], reason: 'smudged' });
    expect(book.open('box')).toEqual(['account.issue']);
    book.enter('A', { kind: 'returned', ...numbers, count: 3, from: 'Numbering' });
    expect(book.open('box')).toEqual([]);
  });
});

describe('piles', () => {
  it('hold exactly what a pile holds, the last one what is left, and together all that is good', () => {
    const book = new Account();
    book.count({ kind: 'taken-in', step: 'cut', count: 20 });
    book.count({ kind: 'good', step: 'cut', count: 250 });
    expect([book.pile('cut', 99), book.pile('cut', 101)]).toEqual([['account.pile'], ['account.pile']]);
    expect([book.pile('cut', 100), book.open('cut')]).toEqual([[], ['account.piles']]);
    expect(book.pile('cut', 50)).toEqual(['account.pile']);
    expect([book.pile('cut', 100), book.pile('cut', 100)]).toEqual([[], ['account.pile-above-good']]);
    expect([book.pile('cut', 50), book.open('cut')]).toEqual([[], []]);
    expect(new Account(null).pile('cut', 7)).toEqual([]);
  });

  it('part whole numbers of good ones into full piles and one rest, whatever a pile holds (property)', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 2_000 }), fc.integer({ min: 1, max: 300 }), (good, pile) => {
        const book = new Account({ ...RULES, pile });
        book.count({ kind: 'taken-in', step: 'box', count: good });
        book.count({ kind: 'good', step: 'box', count: good });
        const counts = [...Array.from({ length: Math.floor(good / pile) }, () => pile), good % pile];
        for (const [i, count] of counts.filter((one) => one > 0).entries()) {
          expect(nextPile(pile, book.context().tallyOf('box'))).toBe(count);
          const entry = { kind: 'handed-on', step: 'box', pile: String(i), count } as const;
          expect(pileGate(book.context(), entry)).toEqual([]);
          book.count(entry);
        }
        expect(book.open('box')).toEqual([]);
      }),
    );
  });
});

describe('inspection', () => {
  const lot = (pieces: number, sample: number): StationEntry => ({
    ...{ kind: 'inspected', step: 'cut', lot: pieces, sample, faulty: 0, aql: 1, level: 'II' },
  });
  const counted = (inspect: AccountRules['inspect']): Account => {
    const book = new Account({ ...RULES, inspect });
    book.count({ kind: 'taken-in', step: 'cut', count: 10 });
    book.count({ kind: 'good', step: 'cut', count: 200 });
    return book;
  };

  it('is of a sample of every lot, or of every piece, as the job says, before the station is closed', () => {
    expect(counted(undefined).open('cut')).toEqual([]);
    const sample = counted('sample');
    sample.count(lot(150, 20));
    expect(sample.open('cut')).toEqual(['account.not-inspected']);
    sample.count(lot(50, 8));
    expect(sample.open('cut')).toEqual([]);
    const all = counted('all');
    all.count(lot(200, 32));
    expect(all.open('cut')).toEqual(['account.not-all-inspected']);
    all.count(lot(200, 200));
    expect(all.open('cut')).toEqual([]);
  });
});

describe('spoils', () => {
  it('are bagged up to what was spoiled, each bag and seal once', () => {
    const book = new Account();
    book.count(spoil(50));
    expect(book.enter('A', bag('1', 51))).toEqual(['account.above-spoiled count']);
    expect(book.enter('A', bag('1', 30))).toBe(1);
    expect(book.enter('A', bag('1', 5, { seal: 'S-9' }))).toEqual(['account.bag-twice bag']);
    expect(book.enter('A', bag('2', 5, { seal: 'S-1' }))).toEqual(['account.seal-twice seal']);
    expect(book.enter('A', bag('2', 21))).toEqual(['account.above-spoiled count']);
    expect(book.enter('A', bag('2', 5, { step: 'gild' }))).toEqual(['room.unknown step']);
    expect(book.open('print')).toEqual(['account.not-counted', 'account.unbagged']);
    expect(book.enter('B', { kind: 'recounted', bag: '1', count: 51 })).toEqual(['account.above-spoiled count']);
    book.enter('A', bag('2', 20));
    book.count({ kind: 'taken-in', step: 'print', count: 600 });
    expect(book.open('print')).toEqual(['account.issue']);
    book.enter('A', paperFor('print', 600));
    expect(book.open('print')).toEqual([]);
  });

  it('are destroyed only where two people count the same, before two people, once', () => {
    const book = new Account();
    book.count(spoil(30));
    book.enter('A', bag('1', 30));
    const destroy: AccountEntry = { kind: 'destroyed', bags: ['1'], how: 'shredded', place: 'Yard' };
    expect(book.enter('A', destroy)).toEqual(['account.not-agreed bags[0]']);
    expect(book.enter('A', { kind: 'recounted', bag: '1', count: 30 })).toEqual(['account.same-person bag']);
    book.enter('B', { kind: 'recounted', bag: '1', count: 29 });
    expect(book.enter('A', destroy)).toEqual(['account.not-agreed bags[0]']);
    book.enter('A', { kind: 'recounted', bag: '1', count: 29 });
    const one = book.ledger.bags.get('1');
    expect(one && agreed(one)).toBe(29);
    expect(book.enter('A', { ...destroy, bags: ['1', '1'] })).toEqual(['account.no-bag bags[1]']);
    const record = book.enter('A', destroy);
    expect(record).toEqual(expect.any(Number));
    const seen = { kind: 'witnessed', record: record as number } as const;
    expect(book.enter('A', seen)).toEqual(['account.same-person record']);
    expect(book.enter('B', { kind: 'witnessed', record: 999 })).toEqual(['account.no-destruction record']);
    const before = book.ledger.destructions.get(record as number);
    expect(before && isWitnessed(before)).toBe(false);
    book.enter('B', seen);
    expect(book.ledger.places.has('1')).toBe(false);
    const after = book.ledger.destructions.get(record as number);
    expect(after && isWitnessed(after)).toBe(true);
    expect(book.enter('A', destroy)).toEqual(['account.gone bags[0]']);
    expect(book.enter('A', { kind: 'recounted', bag: '1', count: 1 })).toEqual(['account.gone bag']);
    // One sheet of thirty is in no bag by the count that both agree on.
    book.count({ kind: 'taken-in', step: 'print', count: 600 });
    book.enter('A', paperFor('print', 600));
    expect(book.open('print')).toEqual(['account.unbagged']);
  });

  it('are never explained away', () => {
    const book = new Account();
    book.count({ kind: 'taken-in', step: 'print', count: 600 });
    book.count({ kind: 'difference', step: 'print', pieces: 3, reason: 'counter' });
    book.enter('A', paperFor('print', 600));
    expect(book.open('print')).toEqual(['account.difference']);
  });
});

describe('numbers', () => {
  const voided = (...numbers: string[]): AccountEntry => ({ kind: 'voided', step: 'cut', numbers, reason: 'smudged' });

  it('that are voided are made again before the last station is closed, as themselves or as others by the rule', () => {
    const same = new Account();
    same.count({ kind: 'taken-in', step: 'box', count: 100 });
    same.enter('A', voided('000101', '000102'));
    expect(same.enter('A', voided('000102'))).toEqual(['account.number-used numbers[0]']);
    expect(same.open('box', true)).toEqual(['account.not-remade']);
    expect(same.enter('A', { kind: 'remade', numbers: ['000101'], as: ['000900'] })).toEqual(['account.remake as']);
    expect(same.enter('A', { kind: 'remade', numbers: ['000103'], as: [] })).toEqual(['account.not-voided numbers[0]']);
    same.enter('A', { kind: 'remade', numbers: ['000101', '000102'], as: [] });
    expect(same.open('box', true)).toEqual([]);

    const other = new Account({ ...RULES, remake: 'new' });
    other.enter('A', voided('000101', '000102'));
    expect(other.enter('A', { kind: 'remade', numbers: ['000101'], as: [] })).toEqual(['account.remake as']);
    expect(other.enter('A', { kind: 'remade', numbers: ['000101'], as: ['000102'] })).toEqual([
      'account.number-used as[0]',
    ]);
    other.enter('A', { kind: 'remade', numbers: ['000101'], as: ['012001'] });
    expect(other.ledger.voided.get('000101')?.remade).toBe('012001');
    expect(other.enter('A', { kind: 'remade', numbers: ['000102'], as: ['012001'] })).toEqual([
      'account.number-used as[0]',
    ]);
  });
});

describe('what is in the house', () => {
  it('is what came and was not destroyed under witness, in pieces and face value (identity)', () => {
    expect([...piecesPerUnit(STEPS)]).toEqual([
      ['box', 1],
      ['cut', 20],
      ['print', 20],
    ]);
    const book = new Account();
    book.count({ kind: 'taken-in', step: 'print', count: 600 });
    book.count({ kind: 'left-over', step: 'print', count: 20 });
    book.count(spoil(30));
    const worth = () => accountWorth(STEPS, book.context().tallyOf, book.ledger, 5);
    expect(worth()).toEqual({ came: 11_600, spoiled: 600, destroyed: 0, inHouse: 11_600, value: 58_000 });
    book.enter('A', bag('1', 30));
    book.enter('B', { kind: 'recounted', bag: '1', count: 30 });
    const record = book.enter('A', { kind: 'destroyed', bags: ['1'], how: 'burned', place: 'Kiln' }) as number;
    expect(worth().inHouse).toBe(11_600);
    book.enter('B', { kind: 'witnessed', record });
    expect(worth()).toMatchObject({ destroyed: 600, inHouse: 11_000, value: 55_000 });
  });

  it('destroys a bag once, as two counted it, before people who differ, whatever is entered (property)', () => {
    const person = fc.constantFrom('A', 'B', 'C');
    const name = fc.constantFrom('1', '2', '3');
    const entry = fc.oneof(
      fc.record({
        by: person,
        bag: name,
        count: fc.integer({ min: 1, max: 40 }),
        kind: fc.constant('bagged' as const),
      }),
      fc.record({
        by: person,
        bag: name,
        count: fc.integer({ min: 1, max: 40 }),
        kind: fc.constant('recounted' as const),
      }),
      fc.record({ by: person, bag: name, count: fc.constant(1), kind: fc.constant('destroyed' as const) }),
      fc.record({
        by: person,
        bag: name,
        count: fc.integer({ min: 1, max: 12 }),
        kind: fc.constant('witnessed' as const),
      }),
    );
    fc.assert(
      fc.property(fc.array(entry, { maxLength: 30 }), (entries) => {
        const book = new Account();
        book.count({ kind: 'taken-in', step: 'print', count: 600 });
        book.count(spoil(60));
        for (const { by, bag: of, count, kind } of entries) {
          if (kind === 'bagged') book.enter(by, bag(of, count));
          else if (kind === 'recounted') book.enter(by, { kind, bag: of, count });
          else if (kind === 'destroyed') book.enter(by, { kind, bags: [of], how: 'cut', place: 'Yard' });
          else book.enter(by, { kind, record: count });
        }
        for (const { witnesses, bags } of book.ledger.destructions.values()) {
          expect(new Set(witnesses.map(({ by }) => by)).size).toBe(witnesses.length);
          for (const one of bags) expect(agreed(book.ledger.bags.get(one) ?? { counts: [] })).toBeDefined();
        }
        const destroyed = [...book.ledger.destructions.values()].flatMap(({ bags }) => bags);
        expect(new Set(destroyed).size).toBe(destroyed.length);
      }),
    );
  });
});
