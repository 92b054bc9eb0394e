import { computed, signal } from '@angular/core';
import {
  type BuyLine,
  type Purchase,
  type Seller,
  type Works,
  MOST_JOBS_OF_LINE,
  costWorking,
  priceOn,
  dayAfter,
  sellersOf,
  sellersOfAll,
  sharesOf,
  sumOfPrices,
} from '@druckerei/core';
import type { KeptPurchase, KeptSupplier, PurchaseLine, PurchaseOrder } from '@druckerei/contract';
import { dayIn } from '@druckerei/contract';

/** Days until it comes where the supplier has told none. Source: common practice, no source. */
const USUAL_DAYS = 5;

/** A line that is being ordered: a price that somebody typed stands, otherwise it is that of the supplier. */
export interface DraftLine extends Omit<PurchaseLine, 'price'> {
  readonly name: string;
  readonly unit: string;
  readonly typedPrice?: number | undefined;
}

/** Lines of the purchase list as they are ordered: what is short in full packs, for the jobs that want it. */
export const linesToOrder = (lines: readonly BuyLine[]): DraftLine[] =>
  lines.map(({ need: { key, name, unit, kind, paper }, ordered, shares }) => ({
    key,
    name,
    unit,
    quantity: ordered,
    jobs: shares.slice(0, MOST_JOBS_OF_LINE).map((share) => ({ ...share })),
    ...(paper ? { paper } : {}),
    ...(kind === 'sheets' || kind === 'rolls' ? {} : { other: { kind, name, unit } }),
  }));

/** Lines of an order that was begun. */
export const linesOf = ({ lines }: KeptPurchase): DraftLine[] =>
  lines.map(({ price, received: _received, jobs, ...line }) => ({
    ...line,
    jobs: jobs.map(({ job, quantity }) => ({ job, quantity })),
    ...(price === null ? {} : { typedPrice: price }),
  }));

/** The number that follows another: its last digits one further, as many as they are. */
export const numberAfter = (number: string | undefined): string =>
  number === undefined
    ? 'P-1'
    : /\d+$/.test(number)
      ? number.replace(/\d+$/, (digits) => String(Number(digits) + 1).padStart(digits.length, '0'))
      : `${number}-2`;

/** An order to a supplier while it is written. */
export class PurchaseDraft {
  readonly lines = signal<readonly DraftLine[]>([]);
  readonly supplier = signal(0);
  readonly number = signal('');
  readonly note = signal('');
  /** The day that was typed; the supplier's own where nothing was. */
  private readonly typedDay = signal('');
  private readonly today: string;
  /** Who may be ordered from, by name. */
  private readonly sellers: readonly (Seller & { readonly name: string })[];

  constructor(
    private readonly suppliers: readonly KeptSupplier[],
    private readonly works: Works,
    lines: readonly DraftLine[],
  ) {
    this.today = dayIn(new Date(), works.timeZone);
    this.sellers = suppliers
      .filter(({ supplier }) => !supplier.retired)
      .map(({ id, supplier: { name, prices = [] } }) => ({ id, name, prices }))
      .sort((a, b) => a.name.localeCompare(b.name, 'en'));
    this.lines.set(lines);
    this.supplier.set(this.choices()[0]?.id ?? 0);
  }

  private readonly chosen = computed(() => this.suppliers.find(({ id }) => id === this.supplier()));

  readonly expected = computed(() => {
    const days = this.chosen()?.supplier.leadDays ?? USUAL_DAYS;
    return this.typedDay() || dayAfter(this.today, days);
  });
  wantOn(day: string): void {
    this.typedDay.set(day);
  }

  /** Suppliers that may be chosen: who sells most of the lines first, of those the cheapest. */
  readonly choices = computed(() =>
    sellersOfAll(this.sellers, this.lines().map(bought), this.today, this.works).map(({ seller, told, cost }) => ({
      id: seller.id,
      name: seller.name,
      told,
      cost,
    })),
  );

  /** Each line with what the chosen supplier asks for it, how that is reckoned, and who asks less. */
  readonly rows = computed(() =>
    this.lines().map((line) => {
      const what = bought(line);
      const priced = priceOn(this.chosen()?.supplier.prices ?? [], what, this.today, this.works);
      const [best] = sellersOf(this.sellers, what, this.today, this.works);
      const price = line.typedPrice ?? priced?.cost;
      return {
        line,
        price,
        working: line.typedPrice === undefined && priced ? costWorking(what, priced, this.works) : '',
        more: line.typedPrice === undefined ? priced?.moreCostsLess : undefined,
        cheaper:
          best && best.seller.id !== this.supplier() && best.priced.cost < (price ?? Infinity) ? best : undefined,
      };
    }),
  );
  readonly total = computed(() => sumOfPrices(this.rows().map(({ price }) => price)));

  set(at: number, change: Partial<DraftLine>): void {
    this.lines.update((lines) => lines.map((line, i) => (i === at ? { ...line, ...change } : line)));
  }
  drop(at: number): void {
    this.lines.update((lines) => lines.filter((_, i) => i !== at));
  }

  /** As it is sent to the server. */
  order(): PurchaseOrder {
    const note = this.note().trim();
    return {
      number: this.number().trim(),
      supplier: this.supplier(),
      expected: this.expected(),
      ...(note === '' ? {} : { note }),
      lines: this.rows().map(({ line: { name: _name, unit: _unit, typedPrice: _typed, ...line }, price }) => ({
        ...line,
        jobs: sharesOf(line.jobs, 0, line.quantity),
        ...(price === undefined ? {} : { price }),
      })),
    };
  }
}

const bought = ({ key, quantity, paper, unit }: DraftLine): Purchase => ({ key, quantity, paper, unit });
