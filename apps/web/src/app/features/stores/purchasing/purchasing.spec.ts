import { HttpErrorResponse } from '@angular/common/http';
import { TestBed } from '@angular/core/testing';
import { MAT_DIALOG_DATA, MatDialogRef } from '@angular/material/dialog';
import { provideRouter } from '@angular/router';
import { type BuyLine, type KnownItem, SHIPPED_WORKS, buyList } from '@druckerei/core';
import type { KeptPurchase, KeptSupplier, NewReceipt, PurchaseOrder, Supplier } from '@druckerei/contract';
import { Store, provideStore } from '@ngrx/store';
import { of, throwError } from 'rxjs';
import { testAccount } from '../../../platform/account.fixture';
import { Api } from '../../../platform/api';
import { SessionActions, sessionFeature } from '../../../platform/session.state';
import { OrdersPanel } from './orders.panel';
import { pastedPrices } from './pasted-prices';
import { NO_PRICE, pricesOf, rowOf } from './price-rows';
import { PurchaseDraft, linesOf, linesToOrder, numberAfter } from './purchase-draft';
import { PurchaseDialog } from './purchase.dialog';
import { PurchasingApi } from './purchasing.api';
import { ReceiveDialog } from './receive.dialog';
import { SupplierDialog } from './supplier.dialog';

const PAPER = { stock: 'silk-115', widthMm: 1020, heightMm: 720, grain: 'width' } as const;
const KEY = 'sheets/silk-115/1020x720/width';
const at = { changedBy: 'm', changedAt: '2026-11-25T08:00:00.000Z' };
const supplier = (id: number, name: string, change: Partial<Supplier> = {}): KeptSupplier => ({
  id,
  version: 1,
  supplier: { name, ...change },
  ...at,
});
const perKg = (price: number, from?: number) =>
  ({ item: 'paper/silk-115', price, per: 100, measure: 'kg', ...(from === undefined ? {} : { from }) }) as const;
const MILL = supplier(1, 'Mill', { leadDays: 3, prices: [perKg(104), perKg(97, 500)] });
const REED = supplier(2, 'Reed', { prices: [perKg(99)] });
const GONE = supplier(3, 'Gone', { retired: true, prices: [perKg(1)] });
const buy = (quantity: number): readonly BuyLine[] =>
  buyList(
    [
      {
        job: 5,
        due: '2026-12-20',
        needs: [{ key: KEY, kind: 'sheets', name: 'Silk', quantity, unit: 'sheets', pack: 500, paper: PAPER }],
      },
    ],
    [],
    [],
    [],
    SHIPPED_WORKS,
  );
const purchase = (change: Partial<KeptPurchase> = {}): KeptPurchase => ({
  id: 9,
  version: 4,
  number: 'P-09',
  supplier: 1,
  supplierName: 'Mill',
  state: 'sent',
  reason: null,
  expected: '2026-01-02',
  note: null,
  lines: [
    {
      key: KEY,
      name: 'Silk',
      unit: 'sheets',
      paper: PAPER,
      quantity: 5500,
      price: null,
      received: 500,
      jobs: [{ job: 5, number: 'HB-5', quantity: 5200 }],
    },
  ],
  total: null,
  madeAt: at.changedAt,
  receipts: [],
  ...at,
  ...change,
});

describe('an order that is written', () => {
  it('takes the supplier who sells most for least, at the price of the quantity, and says who asks less', () => {
    // 5,500 sheets of 0.7344 m2 at 115 g are 464.508 kg.
    const draft = new PurchaseDraft([MILL, REED, GONE], SHIPPED_WORKS, linesToOrder(buy(5200)));
    expect(draft.choices().map(({ name, cost }) => [name, cost])).toEqual([
      ['Reed', 459.86],
      ['Mill', 483.09],
    ]);
    expect([draft.supplier(), draft.total()]).toEqual([2, 459.86]);
    draft.supplier.set(1);
    expect(draft.rows()[0]).toMatchObject({
      price: 483.09,
      working: 'cost = 464.508 kg × 104 / 100 kg = 483.09',
      cheaper: { seller: { name: 'Reed' }, priced: { cost: 459.86 } },
    });
    draft.set(0, { quantity: 6000 });
    // Over 500 kg the mill asks 97.
    expect(draft.rows()[0]?.price).toBe(491.53);
  });

  it('is for the jobs that want it as far as it goes, at a price that was typed where one was', () => {
    const draft = new PurchaseDraft([MILL], SHIPPED_WORKS, linesToOrder(buy(5200)));
    draft.number.set(' P-1 ');
    draft.wantOn('2026-12-09');
    draft.set(0, { quantity: 4000, typedPrice: 300 });
    expect(draft.order()).toEqual({
      number: 'P-1',
      supplier: 1,
      expected: '2026-12-09',
      lines: [{ key: KEY, paper: PAPER, quantity: 4000, price: 300, jobs: [{ job: 5, quantity: 4000 }] }],
    });
    draft.drop(0);
    expect(draft.order().lines).toEqual([]);
  });

  it('opens again as it was kept', () => {
    const kept = purchase({ lines: purchase().lines.map((line) => ({ ...line, price: 12 })) });
    const draft = new PurchaseDraft([MILL], SHIPPED_WORKS, linesOf(kept));
    expect(draft.order().lines).toEqual([
      { key: KEY, paper: PAPER, quantity: 5500, price: 12, jobs: [{ job: 5, quantity: 5200 }] },
    ]);
  });

  it.each([
    [undefined, 'P-1'],
    ['P-26-009', 'P-26-010'],
    ['99', '100'],
    ['Spring', 'Spring-2'],
  ])('after %s has the number %s', (last, next) => {
    expect(numberAfter(last)).toBe(next);
  });
});

describe('prices that are typed', () => {
  const items: KnownItem[] = [{ key: 'paper/silk-115', name: 'Silk coated 115 g, every size', unit: 'sheets' }];
  const row = { ...NO_PRICE, item: 'silk coated 115 G, every size', price: '1,250.5', per: 1000 as const };

  it('are read by the name of the thing, and written again as they were', () => {
    const read = pricesOf([{ ...row, from: '500', validFrom: '2026-12-01' }], items);
    const price = {
      item: 'paper/silk-115',
      price: 1250.5,
      per: 1000,
      measure: 'unit',
      from: 500,
      validFrom: '2026-12-01',
    };
    expect(read).toEqual({ prices: [price] });
    if ('prices' in read && read.prices[0])
      expect(pricesOf([rowOf(read.prices[0], items, String)], items)).toEqual(read);
  });

  it.each([
    [{ ...row, item: 'moonlight' }, '“moonlight” is nothing that the works buys'],
    [{ ...row, price: 'much' }, 'a price is a number'],
    [{ ...row, from: 'some' }, '“from” is a quantity'],
    [{ ...row, validFrom: '31/31/2026' }, '“31/31/2026” is no day'],
    [{ ...row, validFrom: '2026-12-02', validUntil: '2026-12-01' }, 'it ends before it begins'],
  ])('are refused with their place and the reason: %#', (wrong, why) => {
    const read = pricesOf([row, wrong], items);
    expect('wrong' in read && read.wrong).toContain(`Price 2: ${why}`);
  });
});

describe('prices pasted out of a sheet', () => {
  it('are read as sheets write them, without the heading', () => {
    const text = [
      'Artikel\tPreis\tfür\tab\tvon\tbis',
      'Silk coated 115 g, every size\t€ 1.204,50\t1.000 kg\t500 kg\t1.12.2026\t31.03.2027',
      'Boxes\t0,78\teach',
      '\t\t',
    ].join('\r\n');
    expect(pastedPrices(text)).toEqual([
      {
        item: 'Silk coated 115 g, every size',
        price: '1204.5',
        per: 1000,
        measure: 'kg',
        from: '500',
        validFrom: '2026-12-01',
        validUntil: '2027-03-31',
      },
      { item: 'Boxes', price: '0.78', per: 1, measure: 'unit', from: '', validFrom: '', validUntil: '' },
    ]);
  });

  it('stay as they were written where they cannot be read, and are told by their line', () => {
    const [row] = pastedPrices('Silk coated 115 g, every size\t12 or 13\t100 kg\t\tspring');
    expect(row).toMatchObject({ price: '12 or 13', per: 100, measure: 'kg', validFrom: 'spring' });
    const items: KnownItem[] = [{ key: 'paper/silk-115', name: 'Silk coated 115 g, every size', unit: 'sheets' }];
    expect(row && pricesOf([row], items)).toEqual({ wrong: 'Price 1: a price is a number, like 97 or 1.25.' });
  });
});

let closed: unknown[] = [];
function setUp(api: Partial<PurchasingApi>, data: unknown, rights: readonly string[] = ['buy', 'stores']): void {
  closed = [];
  TestBed.configureTestingModule({
    providers: [
      provideRouter([]),
      provideStore({ [sessionFeature.name]: sessionFeature.reducer }),
      { provide: Api, useValue: { works: () => of(SHIPPED_WORKS) } },
      { provide: PurchasingApi, useValue: api },
      { provide: MAT_DIALOG_DATA, useValue: data },
      { provide: MatDialogRef, useValue: { close: (made: unknown) => closed.push(made) } },
    ],
  });
  const account = { ...testAccount(), rights: rights as never };
  TestBed.inject(Store).dispatch(SessionActions.found({ account, demo: false, first: false }));
}
const press = async (element: HTMLElement, name: string): Promise<void> => {
  const button = [...element.querySelectorAll('button')].find(({ textContent }) => textContent?.trim() === name);
  if (!button) throw new Error(`no button ${name}`);
  button.click();
  await Promise.resolve();
};
const type = (element: HTMLElement, label: string, text: string, event = 'input'): void => {
  const field = element.querySelector<HTMLInputElement>(`[aria-label="${label}"]`);
  if (!field) throw new Error(`no field ${label}`);
  field.value = text;
  field.dispatchEvent(new Event(event));
};
/** Waits until a list that waits for the next key has been asked for. */
const asked = () => new Promise((resolve) => setTimeout(resolve, 50));

describe('orders to suppliers', () => {
  const panel = async (rights?: readonly string[]): Promise<HTMLElement> => {
    const jobs = Array.from({ length: 5 }, (_, i) => ({ job: i + 1, number: `J-${i + 1}`, quantity: 10 }));
    const lines = purchase().lines.map((line) => ({ ...line, jobs }));
    const draft = purchase({ id: 10, number: 'P-10', state: 'draft', lines });
    setUp({ purchases: () => of({ rows: [draft, purchase()], total: 2 }) }, null, rights);
    const fixture = TestBed.createComponent(OrdersPanel);
    await asked();
    await fixture.whenStable();
    return fixture.nativeElement as HTMLElement;
  };
  const words = (element: HTMLElement): string => (element.textContent ?? '').replace(/\s+/g, ' ');

  it('say what is still to come, and which are late', async () => {
    const said = words(await panel());
    expect(said).toContain('5,500 sheets5005,000 sheets to come');
    expect(said).toContain('2 Jan 2026, late');
    expect(said).toContain('It is sent');
    expect(said).toMatch(/J-1 J-2 J-3 and 2 more jobs/);
  });

  it('show neither prices nor what is sent to those who do not buy', async () => {
    const element = await panel(['stores']);
    expect(words(element)).not.toMatch(/Price|As it is sent|End it/);
    expect(words(element)).toContain('It has come');
  });
});

describe('what has come', () => {
  it('is entered with its place; what stands is shown where somebody was faster', async () => {
    const sent: NewReceipt[] = [];
    const now = purchase({ version: 5, lines: purchase().lines.map((line) => ({ ...line, received: 3000 })) });
    const receive = (_: number, receipt: NewReceipt) => {
      sent.push(receipt);
      return receipt.version === 4
        ? throwError(
            () =>
              new HttpErrorResponse({
                status: 409,
                error: { type: 'about:blank', status: 409, title: 'Somebody else has changed this order' },
              }),
          )
        : of(now);
    };
    setUp({ receive, purchases: () => of({ rows: [now], total: 1 }) }, purchase());
    const fixture = TestBed.createComponent(ReceiveDialog);
    await fixture.whenStable();
    const element = fixture.nativeElement as HTMLElement;
    type(element, 'Has come: Silk', '-2');
    await press(element, 'Take it in');
    await fixture.whenStable();
    expect(element.querySelector('[role=alert]')?.textContent).toContain('Silk: a quantity above 0');
    type(element, 'Has come: Silk', '2,500');
    type(element, 'Where it lies: Silk', 'Bay 4');
    await press(element, 'Take it in');
    await fixture.whenStable();
    expect(element.querySelector('[role=alert]')?.textContent).toContain('Somebody else has changed this order');
    expect(element.textContent).toContain('2,500 sheets');
    await press(element, 'Take it in');
    expect(sent.map(({ version }) => version)).toEqual([4, 5]);
    expect(sent[1]?.lines).toEqual([{ line: 0, quantity: 2500, place: 'Bay 4' }]);
    expect(closed).toEqual([true]);
  });
});

describe('the order dialog', () => {
  it('shows what stands beside what is written, where somebody was faster', async () => {
    const draft = purchase({ state: 'draft', expected: '2026-12-09' });
    const now = { ...draft, version: 5, expected: '2026-12-24', note: 'Gate 2' };
    const error = { type: 'about:blank', status: 409, title: 'Somebody else has changed this order' };
    setUp(
      {
        purchases: () => of({ rows: [now], total: 1 }),
        changePurchase: () => throwError(() => new HttpErrorResponse({ status: 409, error })),
      },
      { works: SHIPPED_WORKS, suppliers: [MILL], lines: linesOf(draft), purchase: draft },
    );
    const fixture = TestBed.createComponent(PurchaseDialog);
    await fixture.whenStable();
    const element = fixture.nativeElement as HTMLElement;
    await press(element, 'Keep it as a draft');
    await fixture.whenStable();
    const rows = [...element.querySelectorAll('dk-standing tbody tr')].map((row) =>
      [...row.children].map((cell) => cell.textContent),
    );
    expect(rows.slice(0, 1)).toEqual([['Wanted on', '2026-12-24', '2026-12-09']]);
    expect(rows.at(-1)).toEqual(['What else it says', 'Gate 2', '']);
  });

  it('sends what was written, and says what is missing', async () => {
    const made: PurchaseOrder[] = [];
    const states: object[] = [];
    setUp(
      {
        purchases: () => of({ rows: [purchase()], total: 1 }),
        addPurchase: (order) => {
          made.push(order);
          return of(purchase({ id: 11, version: 1 }));
        },
        setPurchase: (id, change) => {
          states.push({ id, ...change });
          return of(purchase({ id: 11 }));
        },
      },
      { works: SHIPPED_WORKS, suppliers: [MILL, REED], lines: linesToOrder(buy(5200)) },
    );
    const fixture = TestBed.createComponent(PurchaseDialog);
    await fixture.whenStable();
    const element = fixture.nativeElement as HTMLElement;
    type(element, 'Quantity of Silk', '0', 'change');
    await fixture.whenStable();
    expect(element.querySelector('[role=alert]')?.textContent).toContain('A quantity above 0 is wanted');
    type(element, 'Quantity of Silk', '6000', 'change');
    type(element, 'Price of Silk', '480', 'change');
    await press(element, 'It is sent');
    expect(made[0]).toMatchObject({ number: 'P-10', supplier: 2, lines: [{ quantity: 6000, price: 480 }] });
    expect(states).toEqual([{ id: 11, version: 1, state: 'sent' }]);
    expect(closed).toHaveLength(1);
  });
});

describe('the supplier dialog', () => {
  it('shows what stands beside what is typed, where somebody was faster, and writes over it when it is sent once more', async () => {
    const now = { ...MILL, version: 2, supplier: { ...MILL.supplier, leadDays: 9, prices: [perKg(88)] } };
    const versions: number[] = [];
    const error = { type: 'about:blank', status: 409, title: 'Somebody else has changed this supplier' };
    setUp(
      {
        suppliers: () => of({ rows: [now], total: 1 }),
        changeSupplier: (_id, version) => {
          versions.push(version);
          return version === 1 ? throwError(() => new HttpErrorResponse({ status: 409, error })) : of(now);
        },
      },
      { supplier: MILL, items: [], currency: 'EUR' },
    );
    const fixture = TestBed.createComponent(SupplierDialog);
    await fixture.whenStable();
    const element = fixture.nativeElement as HTMLElement;
    await press(element, 'Change it');
    await fixture.whenStable();
    const rows = [...element.querySelectorAll('dk-standing tbody tr')].map((row) =>
      [...row.children].map((cell) => cell.textContent),
    );
    expect(rows).toEqual([
      ['Days to deliver', '9', '3'],
      ['Prices', 'paper/silk-115 88 / 100 kg', 'paper/silk-115 104 / 100 kg; paper/silk-115 97 / 100 kg from 500'],
    ]);
    await press(element, 'Change it');
    expect([versions, closed]).toEqual([[1, 2], [true]]);
  });

  it('keeps who they are and what they ask', async () => {
    const kept: Supplier[] = [];
    const items: KnownItem[] = [{ key: 'paper/silk-115', name: 'Silk, every size', unit: 'sheets' }];
    setUp(
      {
        changeSupplier: (_id, _version, change) => {
          kept.push(change);
          return of(MILL);
        },
      },
      { supplier: MILL, items, currency: 'EUR' },
    );
    const fixture = TestBed.createComponent(SupplierDialog);
    await fixture.whenStable();
    const element = fixture.nativeElement as HTMLElement;
    type(element, 'Price 2', '95');
    const clipboardData = { getData: () => 'Silk, every size\t90\t100 kg\t2000\n' };
    const paste = Object.assign(new Event('paste', { bubbles: true, cancelable: true }), { clipboardData });
    element.querySelector('[aria-label="Price 2"]')?.dispatchEvent(paste);
    await press(element, 'Change it');
    expect(paste.defaultPrevented).toBe(true);
    expect(kept[0]).toEqual({ name: 'Mill', leadDays: 3, prices: [perKg(104), perKg(95, 500), perKg(90, 2000)] });
  });
});
