import { Injectable, computed, inject, signal } from '@angular/core';
import type { Customer, DeliveryPlace, KeptCustomer } from '@druckerei/contract';
import { type Observable, map, tap } from 'rxjs';
import { Api } from '../../platform/api';
import { Contested } from '../../platform/contested';
import { failureOf } from '../../platform/problem';
import type { StandingRow } from '../../ui/standing';

const NAMES: Readonly<Record<keyof Customer, string>> = {
  name: $localize`Name`,
  also: $localize`Also named`,
  reference: $localize`Number`,
  places: $localize`Places`,
  policy: $localize`May be delivered`,
  weight: $localize`Weight`,
  artwork: $localize`Artwork`,
  note: $localize`Note`,
  locale: $localize`Language and dates`,
  retired: $localize`Retired`,
};
const FIELDS = Object.keys(NAMES) as (keyof Customer)[];

/** A field as people read it. */
function inWords(field: keyof Customer, customer: Customer): string {
  const { places = [], also = [], policy, retired, ...plain } = customer;
  if (field === 'places')
    return places.map(({ name, address }) => [name, address].filter(Boolean).join(', ')).join('; ');
  if (field === 'also') return also.join('; ');
  if (field === 'retired') return retired ? $localize`yes` : $localize`no`;
  if (field === 'policy')
    return policy?.kind === 'percent'
      ? $localize`${policy.under} % under, ${policy.over} % over`
      : (policy?.kind ?? '');
  return String(plain[field] ?? '');
}
/** Without what is empty: an empty text, a list of nothing, a no. */
const told = (customer: Customer): Customer =>
  Object.fromEntries(
    Object.entries(customer).filter(
      ([, value]) => value !== '' && value !== false && !(Array.isArray(value) && value.length === 0),
    ),
  ) as Customer;

/** A customer being looked at and corrected: what stands, what is typed, and entering it where nobody was faster. */
@Injectable()
export class CustomerEdit {
  private readonly api = inject(Api);
  private readonly id = signal(0);
  readonly stands = signal<KeptCustomer | undefined>(undefined);
  private readonly typed = signal<Customer | undefined>(undefined);
  readonly failed = signal('');
  readonly said = signal('');
  readonly sending = new Contested(() => this.look());
  readonly customer = computed(() => this.typed() ?? this.stands()?.customer);
  readonly isChanged = computed(() => {
    const [typed, stands] = [this.typed(), this.stands()?.customer];
    return typed !== undefined && stands !== undefined && JSON.stringify(told(typed)) !== JSON.stringify(told(stands));
  });

  constructor() {
    this.sending.follow(
      ['customers'],
      () => String(this.stands()?.version),
      () => this.isChanged(),
    );
  }

  open(id: number): void {
    this.id.set(id);
    this.stands.set(undefined);
    this.leave();
    this.failed.set('');
    this.look().subscribe({ error: (error: unknown) => this.failed.set(failureOf(error).text) });
  }

  private look(): Observable<void> {
    return this.api.customer(this.id()).pipe(
      tap((stands) => this.stands.set(stands)),
      map(() => undefined),
    );
  }

  leave(): void {
    this.typed.set(undefined);
    this.sending.refuse('');
    this.said.set('');
  }

  set(change: Partial<Customer>): void {
    const now = this.customer();
    if (!now) return;
    this.typed.set({ ...now, ...change });
    this.sending.refuse('');
    this.said.set('');
  }
  setPlace(at: number, change: Partial<DeliveryPlace>): void {
    const places = this.customer()?.places ?? [];
    this.set({ places: places.map((place, i) => (i === at ? { ...place, ...change } : place)) });
  }
  addPlace(): void {
    this.set({ places: [...(this.customer()?.places ?? []), { name: '' }] });
  }
  dropPlace(at: number): void {
    this.set({ places: (this.customer()?.places ?? []).filter((_, i) => i !== at) });
  }

  enter(): void {
    const [typed, stands] = [this.typed(), this.stands()];
    if (!typed || !stands) return;
    const call = this.api.changeCustomer(stands.id, stands.version, told(typed)).pipe(
      tap((kept) => this.stands.set(kept)),
      map(() => undefined),
    );
    this.sending.send(call, () => {
      this.leave();
      this.said.set($localize`It is entered.`);
    });
  }

  /** What stands beside what is typed. */
  differing(): StandingRow[] {
    const [now, yours] = [this.stands()?.customer, this.customer()];
    if (!now || !yours) return [];
    return FIELDS.filter((field) => JSON.stringify(now[field]) !== JSON.stringify(yours[field])).map((field) => ({
      what: NAMES[field],
      now: inWords(field, now) || $localize`not told`,
      yours: inWords(field, yours) || $localize`not told`,
    }));
  }
}
