import { HttpErrorResponse } from '@angular/common/http';
import { ApplicationRef, inject } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { MAT_DIALOG_DATA, MatDialogRef } from '@angular/material/dialog';
import { provideRouter } from '@angular/router';
import { SHIPPED_WORKS } from '@druckerei/core';
import type { Lot, LotsQuery, Needs, Stores } from '@druckerei/contract';
import { Store, provideStore } from '@ngrx/store';
import { of, throwError } from 'rxjs';
import { Api } from '../../platform/api';
import { SessionActions, sessionFeature } from '../../platform/session.state';
import { LotDialog } from './lot.dialog';
import { StoresPage } from './stores.page';
import { StoresStore } from './stores.store';
import { testAccount } from '../../platform/account.fixture';

const PAPER = { stock: 'silk-115', widthMm: 1020, heightMm: 720, grain: 'width' } as const;
const KEY = 'sheets/silk-115/1020x720/width';
const lot = (id: number, quantity: number): Stores['holdings'][number] => ({
  id,
  version: 1,
  key: KEY,
  paper: PAPER,
  quantity,
  place: `Bay ${id}`,
  changedBy: 'm',
  changedAt: '2026-11-25T08:00:00.000Z',
});
const STORES: Stores = {
  mark: 2,
  drawn: [],
  onOrder: [],
  holdings: [lot(1, 900)],
  reservations: [{ job: 5, number: 'HB-5', title: 'Map', key: KEY, quantity: 300, by: 'm' }],
};
const need = (quantity: number): Needs['jobs'][number]['needs'][number] => ({
  key: KEY,
  kind: 'sheets',
  name: 'Silk',
  quantity,
  unit: 'sheets',
  pack: 500,
  paper: PAPER,
});
const NEEDS: Needs = {
  jobs: [
    { job: 5, number: 'HB-5', title: 'Map', due: '2026-12-01', needs: [need(700)], problems: [] },
    { job: 6, number: 'HB-6', title: 'Card', due: '2027-02-01', needs: [need(1000)], problems: [] },
    { job: 7, number: 'HB-7', title: 'Lost', due: null, needs: [], problems: ['The works has no stock gone.'] },
  ],
};

const listed = (one: Stores['holdings'][number]): Lot => ({
  ...one,
  name: 'Silk coated 115 g, 1020 × 720 mm, grain along 1020',
  unit: 'sheets',
  free: one.quantity - 300,
  reserved: [{ job: 5, number: 'HB-5', title: 'Map', quantity: 300 }],
});

function api(change: Partial<Api> = {}): Partial<Api> {
  return {
    works: () => of(SHIPPED_WORKS),
    stores: () => of(STORES),
    lots: ({ search }) => of(search === 'roll' ? { rows: [], total: 0 } : { rows: [listed(lot(1, 900))], total: 1 }),
    needs: () => of(NEEDS),
    ...change,
  };
}
/** Waits until a question that waits for the next key has been put. */
const asked = () => new Promise((resolve) => setTimeout(resolve, 250));
let closed = 0;
function setUp(of: Partial<Api>, data: object = {}): void {
  closed = 0;
  TestBed.configureTestingModule({
    providers: [
      provideRouter([]),
      provideStore({ [sessionFeature.name]: sessionFeature.reducer }),
      { provide: Api, useValue: of },
      StoresStore,
      { provide: MAT_DIALOG_DATA, useFactory: () => ({ stores: inject(StoresStore), ...data }) },
      { provide: MatDialogRef, useValue: { close: () => (closed += 1) } },
    ],
  });
  const account = testAccount();
  TestBed.inject(Store).dispatch(SessionActions.found({ account, demo: false, first: false }));
}
const cells = (element: HTMLElement, selector: string): string[][] =>
  [...element.querySelectorAll(selector)].map((row) =>
    [...row.querySelectorAll('th,td')].map((cell) => (cell.textContent ?? '').replace(/\s+/g, ' ').trim()),
  );

describe('stores', () => {
  it('show what is on hand and free, and find a lot by its words', async () => {
    setUp(api());
    const fixture = TestBed.createComponent(StoresPage);
    await asked();
    await fixture.whenStable();
    const element = fixture.nativeElement as HTMLElement;
    const rows = () => cells(element, '[data-test=lots] tbody tr');
    expect(rows()[0]?.slice(0, 5)).toEqual([
      'Silk coated 115 g, 1020 × 720 mm, grain along 1020',
      'Bay 1',
      '900 sheets',
      '600',
      'HB-5 300',
    ]);
    const search = element.querySelector<HTMLInputElement>('input[type=search]');
    if (!search) throw new Error('no search');
    search.value = 'roll';
    search.dispatchEvent(new Event('input'));
    while (rows().length > 0 && rows()[0]?.[0] !== 'No lot holds these words.') {
      await asked();
      await fixture.whenStable();
    }
    expect(rows()).toEqual([['No lot holds these words.']]);
  });

  it('come some at a time where there are many', async () => {
    const skips: LotsQuery[] = [];
    const many = Array.from({ length: 100 }, (_, i) => listed(lot(i + 1, 900)));
    const lots = (query: LotsQuery) => {
      skips.push(query);
      return of({ rows: query.skip ? [listed(lot(101, 900))] : many, total: 101 });
    };
    setUp(api({ lots }));
    const fixture = TestBed.createComponent(StoresPage);
    await TestBed.inject(ApplicationRef).whenStable();
    await asked();
    await fixture.whenStable();
    const element = fixture.nativeElement as HTMLElement;
    expect(element.querySelector('.more')?.textContent).toContain('100 of 101 lots.');
    element.querySelector<HTMLButtonElement>('.more button')?.click();
    await asked();
    await fixture.whenStable();
    expect(element.querySelectorAll('[data-test=lots] tbody tr').length).toBe(101);
    expect(element.querySelector('.more')).toBeNull();
    expect(skips.map(({ skip, limit }) => [skip, limit])).toEqual([
      [0, 100],
      [100, 100],
    ]);
  });

  it('buy once over all jobs, or those due by a day, and say what is left out', () => {
    setUp(api());
    const stores = TestBed.inject(StoresStore);
    stores.load();
    // 1,700 wanted, 900 on hand, all of what is reserved is for a job on the list: 800 short, 2 packs.
    expect(stores.lines()).toEqual([
      expect.objectContaining({ fromStock: 900, short: 800, packs: 2, left: 200, numbers: ['HB-5', 'HB-6'] }),
    ]);
    stores.buyUntil('2026-12-31');
    expect(stores.lines()[0]).toMatchObject({ short: 0, numbers: ['HB-5'] });
    expect(stores.unplanned().map(({ number }) => number)).toEqual(['HB-7']);
  });

  it('say when they cannot be shown', () => {
    setUp(api({ stores: () => throwError(() => new HttpErrorResponse({ status: 0 })) }));
    const stores = TestBed.inject(StoresStore);
    stores.load();
    expect(stores.request().kind).toBe('failed');
  });
});

describe('a lot', () => {
  function dialog(of: Partial<Api>, data: object = {}) {
    setUp(of, data);
    TestBed.inject(StoresStore).load();
    const fixture = TestBed.createComponent(LotDialog);
    fixture.detectChanges();
    const element = fixture.nativeElement as HTMLElement;
    const keep = (...values: string[]): string => {
      const fields = element.querySelectorAll<HTMLInputElement>('input[matInput]');
      values.forEach((value, i) => {
        const input = fields[i];
        if (input) input.value = value;
      });
      element.querySelector('form')?.dispatchEvent(new Event('submit'));
      fixture.detectChanges();
      return element.querySelector('[role=alert]')?.textContent?.trim() ?? '';
    };
    return { keep, element };
  }

  it('is put in by stock and size; half a sheet is none', () => {
    const added: unknown[] = [];
    const { keep } = dialog(
      api({
        addHolding: (one) => {
          added.push(one);
          return of(STORES);
        },
      }),
    );
    expect(keep('12.5', 'Bay 9', '')).toContain('A whole number is wanted');
    expect(closed).toBe(0);
    expect(keep('1,250', 'Bay 9', 'delivered')).toBe('');
    const [first] = SHIPPED_WORKS.stocks;
    expect(added).toEqual([
      { paper: { stock: first?.id, ...first?.sheets[0] }, quantity: 1250, place: 'Bay 9', reason: 'delivered' },
    ]);
    expect(closed).toBe(1);
  });

  it('is counted from what was seen, with its history, and tells who was faster', () => {
    const asked: unknown[] = [];
    let looks = 0;
    const conflict = {
      type: 'about:blank',
      status: 409,
      title: 'Somebody else has changed this lot',
      detail: 'It holds 880 now.',
    };
    const { keep, element } = dialog(
      api({
        holdingHistory: () =>
          of([
            {
              before: 0,
              after: 900,
              placeBefore: '',
              placeAfter: 'Bay 1',
              reason: 'stock-taking',
              by: 'm',
              at: '2026-11-25T08:00:00.000Z',
            },
          ]),
        // What the page shows, and what stands by the time that somebody looks again.
        stores: () =>
          of(looks++ === 0 ? STORES : { ...STORES, holdings: [{ ...lot(1, 880), version: 2, place: 'Bay 4' }] }),
        changeHolding: (id, change) => {
          asked.push([id, change]);
          return change.version === 2
            ? of(STORES)
            : throwError(() => new HttpErrorResponse({ status: 409, error: conflict }));
        },
      }),
      { lot: lot(1, 900) },
    );
    expect(element.textContent).toContain('0 to 900');
    expect(keep('890', 'Bay 1', 'damaged')).toContain('Somebody else has changed this lot');
    expect(asked).toEqual([[1, { quantity: 890, expected: 900, version: 1, place: 'Bay 1', reason: 'damaged' }]]);
    expect(closed).toBe(0);
    // Both are shown, and what was typed stays; sent once more, it is meant.
    expect([...element.querySelectorAll('dk-standing td')].map((cell) => cell.textContent)).toEqual([
      '880',
      '890',
      'Bay 4',
      'Bay 1',
    ]);
    expect(keep('890', 'Bay 1', 'damaged')).toBe('');
    expect(asked.at(-1)).toEqual([1, { quantity: 890, expected: 880, version: 2, place: 'Bay 1', reason: 'damaged' }]);
    expect(closed).toBe(1);
  });
});
