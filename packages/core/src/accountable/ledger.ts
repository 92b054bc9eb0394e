import { type StationTally, allSpoiled } from '../book/index.js';
import type { AccountEntry, DestroyedBy, IssuedOf } from './entry.js';

/** Who entered something, and when (ISO 8601); its number in the book. */
export interface Signed {
  readonly id: number;
  readonly at: string;
  readonly by: string;
}

/** What one person has of one thing. */
export interface IssuedLine {
  readonly of: IssuedOf;
  readonly item: string;
  readonly person: string;
  readonly issued: number;
  readonly returned: number;
}

/** A sealed bag of spoils. */
export interface Bag {
  readonly bag: string;
  readonly step: string;
  readonly seal: string;
  readonly place: string;
  readonly counts: readonly (Signed & { readonly count: number })[];
  /** Entry of its destruction. */
  readonly destroyed: number | undefined;
}

/** Bags that were destroyed together; who entered it saw it, and is the first witness. */
export interface Destruction extends Signed {
  readonly bags: readonly string[];
  readonly how: DestroyedBy;
  readonly place: string;
  readonly witnesses: readonly Signed[];
}

/** A number that nobody may use. */
export interface VoidedNumber {
  readonly number: string;
  readonly step: string;
  readonly reason: string;
  /** The number in its place, itself where it was made again; undefined while neither is there. */
  readonly remade: string | undefined;
}

/** Two people are wanted to count and to witness. Source: handbook chapter 9. */
export const PEOPLE = 2;

/** What two people counted last where they agree; undefined where they do not, or one alone has counted. */
export function agreed({ counts }: Pick<Bag, 'counts'>): number | undefined {
  const last = counts.at(-1);
  const same = last && counts.filter(({ count, by }) => count === last.count && by !== last.by);
  return same && same.length > 0 ? last.count : undefined;
}

/** Whether a destruction was seen by as many as it wants. */
export const isWitnessed = ({ witnesses }: Pick<Destruction, 'witnesses'>): boolean => witnesses.length >= PEOPLE;

/** What the entries of accountable work come to. */
export interface AccountState {
  readonly issues: ReadonlyMap<string, IssuedLine>;
  /** Issued for a station and not returned from it, by what it is of. */
  readonly atSteps: ReadonlyMap<string, ReadonlyMap<IssuedOf, number>>;
  readonly places: ReadonlyMap<string, Signed & { readonly place: string }>;
  readonly bags: ReadonlyMap<string, Bag>;
  readonly destructions: ReadonlyMap<number, Destruction>;
  readonly voided: ReadonlyMap<string, VoidedNumber>;
}

const keyOf = (of: string, item: string, person: string): string => JSON.stringify([of, item, person]);
/** What somebody still has. */
export const outWith = (state: AccountState, of: string, item: string, person: string): number => {
  const found = state.issues.get(keyOf(of, item, person));
  return found ? found.issued - found.returned : 0;
};

/** Adds up what is entered, one after another. */
export class AccountLedger implements AccountState {
  readonly issues = new Map<string, IssuedLine>();
  readonly atSteps = new Map<string, Map<IssuedOf, number>>();
  readonly places = new Map<string, Signed & { readonly place: string }>();
  readonly bags = new Map<string, Bag>();
  readonly destructions = new Map<number, Destruction>();
  readonly voided = new Map<string, VoidedNumber>();

  add(entry: AccountEntry, signed: Signed): void {
    switch (entry.kind) {
      case 'issued':
        this.move(entry, entry.to, entry.count, 0);
        this.atStep(entry, entry.count);
        if (entry.place !== undefined) this.put(entry.item, entry.place, signed);
        break;
      case 'returned':
        this.move(entry, entry.from, 0, entry.count);
        this.atStep(entry, -entry.count);
        if (entry.place !== undefined) this.put(entry.item, entry.place, signed);
        break;
      case 'carried':
        this.put(entry.what, entry.to, signed);
        break;
      case 'bagged': {
        const { bag, step, seal, place, count } = entry;
        this.bags.set(bag, { bag, step, seal, place, counts: [{ ...signed, count }], destroyed: undefined });
        this.put(bag, place, signed);
        break;
      }
      case 'recounted':
        this.change(entry.bag, (bag) => ({ ...bag, counts: [...bag.counts, { ...signed, count: entry.count }] }));
        break;
      case 'destroyed': {
        const { bags, how, place } = entry;
        this.destructions.set(signed.id, { ...signed, bags, how, place, witnesses: [signed] });
        for (const one of bags) {
          this.change(one, (bag) => ({ ...bag, destroyed: signed.id }));
          this.places.delete(one);
        }
        break;
      }
      case 'witnessed': {
        const before = this.destructions.get(entry.record);
        if (before) this.destructions.set(entry.record, { ...before, witnesses: [...before.witnesses, signed] });
        break;
      }
      case 'voided':
        for (const number of entry.numbers)
          this.voided.set(number, { number, step: entry.step, reason: entry.reason, remade: undefined });
        break;
      case 'remade':
        entry.numbers.forEach((number, i) => {
          const before = this.voided.get(number);
          if (before) this.voided.set(number, { ...before, remade: entry.as[i] ?? number });
        });
    }
  }

  private move({ of, item }: Pick<IssuedLine, 'of' | 'item'>, person: string, out: number, back: number): void {
    const key = keyOf(of, item, person);
    const { issued = 0, returned = 0 } = this.issues.get(key) ?? {};
    this.issues.set(key, { of, item, person, issued: issued + out, returned: returned + back });
  }
  private atStep({ step, of }: { readonly step?: string | undefined; readonly of: IssuedOf }, count: number): void {
    if (step === undefined) return;
    const at = this.atSteps.get(step) ?? new Map<IssuedOf, number>();
    this.atSteps.set(step, at.set(of, (at.get(of) ?? 0) + count));
  }
  private put(what: string, place: string, signed: Signed): void {
    this.places.set(what, { ...signed, place });
  }
  private change(name: string, to: (bag: Bag) => Bag): void {
    const bag = this.bags.get(name);
    if (bag) this.bags.set(name, to(bag));
  }
}

/** Process units that a station has spoiled and that lie in no bag; below 0 where bags hold more. */
export const looseAt = (state: AccountState, step: string, tally: StationTally): number =>
  allSpoiled(tally) - baggedAt(state, step);

/** Process units of a station that lie in bags. */
export const baggedAt = ({ bags }: AccountState, step: string): number => {
  let sum = 0;
  for (const bag of bags.values()) if (bag.step === step) sum += bag.counts.at(-1)?.count ?? 0;
  return sum;
};
