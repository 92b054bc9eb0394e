import { TestBed } from '@angular/core/testing';
import { MAT_DIALOG_DATA, MatDialogRef } from '@angular/material/dialog';
import { provideRouter } from '@angular/router';
import { HttpErrorResponse } from '@angular/common/http';
import { Store, provideStore } from '@ngrx/store';
import type { Customer, KeptCustomer, LiveMessage, Offer, PastJob } from '@druckerei/contract';
import { Subject, of, throwError } from 'rxjs';
import { testAccount } from '../../platform/account.fixture';
import { Api } from '../../platform/api';
import { Live } from '../../platform/live';
import { SessionActions, sessionFeature } from '../../platform/session.state';
import { AgainDialog } from './again.dialog';
import { CustomerPage } from './customer.page';
import { OffersPage } from './offers.page';
import { TakeDialog } from './take.dialog';

const GARDEN: KeptCustomer = {
  id: 4,
  version: 2,
  customer: { name: 'Botanic Garden', reference: 'C-1', places: [{ name: 'Shop' }] },
  changedBy: 'Anna',
  changedAt: '2026-11-20T08:00:00.000Z',
};
const MAP: PastJob = {
  id: 2,
  number: 'HB-2',
  title: 'Trail map',
  quantity: 10_000,
  due: '2026-12-11',
  status: 'released',
  revision: 3,
  released: 3,
  changedAt: '2026-11-20T08:00:00.000Z',
  order: null,
  carriers: 1,
  counted: 10_180,
  stops: 2,
};
const OFFER: Offer = {
  id: 9,
  version: 1,
  number: 'O-9',
  title: 'Trail map',
  customer: 'Botanic Garden',
  currency: 'EUR',
  margin: 0.2,
  until: '2026-12-31',
  lines: [
    { quantity: 5_000, cost: 800, price: 1_000, perThousand: 200 },
    { quantity: 10_000, cost: 1_200, price: 1_500, perThousand: 150 },
  ],
  state: 'open',
  job: null,
  madeBy: 'Anna',
  madeAt: '2026-11-20T08:00:00.000Z',
};

const conflict = () =>
  throwError(
    () => new HttpErrorResponse({ status: 409, error: { type: 'about:blank', title: 'Somebody else', status: 409 } }),
  );

function setUp(change: object = {}, data?: object) {
  const said = new Subject<LiveMessage>();
  const closed: unknown[] = [];
  const api = {
    customer: () => of(GARDEN),
    pastJobs: () => of([MAP]),
    orders: () => of([]),
    customerCarriers: () =>
      of([
        {
          jobId: 2,
          job: 'HB-2',
          key: 'a',
          title: 'Trail map',
          name: 'Cutting die',
          ink: null,
          owner: 'customer',
          place: 'Rack 4',
          used: 20_000,
          life: 100_000,
          since: '2026-10-02T08:00:00.000Z',
        },
      ]),
    offers: () => of({ rows: [OFFER], total: 1 }),
    nextNumber: () => of('HB-99'),
    keptCarriers: () =>
      of([
        { jobId: 2, key: 'a', name: 'Cutting die', place: 'Rack 4' },
        { jobId: 3, key: 'b' },
      ]),
    room: () => of({ records: [], kept: [] }),
    ...change,
  };
  TestBed.configureTestingModule({
    providers: [
      provideRouter([]),
      provideStore({ [sessionFeature.name]: sessionFeature.reducer }),
      { provide: Api, useValue: api },
      { provide: Live, useValue: { on: () => said } },
      { provide: MAT_DIALOG_DATA, useValue: data },
      { provide: MatDialogRef, useValue: { close: (value: unknown) => closed.push(value) } },
    ],
  });
  TestBed.inject(Store).dispatch(SessionActions.found({ account: testAccount(), demo: false, first: false }));
  return { said, closed };
}
const textOf = (element: HTMLElement, selector = ':scope'): string =>
  (element.querySelector(selector)?.textContent ?? '').replace(/\s+/g, ' ').trim();
const button = (element: HTMLElement, name: string): HTMLButtonElement => {
  const found = [...element.querySelectorAll('button')].find((one) => (one.textContent ?? '').includes(name));
  if (!found) throw new Error(`no button ${name}`);
  return found;
};
function type(field: Element | null, text: string): void {
  (field as HTMLInputElement).value = text;
  field?.dispatchEvent(new Event('input'));
}

async function openPage() {
  const fixture = TestBed.createComponent(CustomerPage);
  fixture.componentRef.setInput('id', '4');
  await fixture.whenStable();
  return { fixture, element: fixture.nativeElement as HTMLElement };
}

describe('a customer', () => {
  it('shows what became of each job', async () => {
    setUp();
    const { element } = await openPage();
    const job = textOf(element, '[aria-label=Jobs] tr');
    expect(job).toContain('HB-2 Trail map');
    expect(job).toContain('10,180 good of 10,000; 1 carrier kept; 2 on record');
    expect(textOf(element, '[aria-label="Kept of their jobs"] tr')).toBe(
      'Cutting dieHB-2 Trail mapRack 4, theirs, 20,000 of 100,000 impressions, since 2 Oct 2026',
    );
  });

  it('is entered as it is typed, without what is empty', async () => {
    const sent: [number, number, Customer][] = [];
    setUp({
      changeCustomer: (id: number, version: number, customer: Customer) => {
        sent.push([id, version, customer]);
        return of({ ...GARDEN, version: 3, customer });
      },
    });
    const { fixture, element } = await openPage();
    type(element.querySelector('input'), 'Garden of Lichtmoor');
    button(element, 'A place').click();
    await fixture.whenStable();
    type(element.querySelectorAll('.place input')[3] ?? null, 'Seed house');
    const [, reference] = element.querySelectorAll('input');
    type(reference ?? null, '');
    await fixture.whenStable();
    button(element, 'Enter it').click();
    await fixture.whenStable();
    expect(sent).toEqual([[4, 2, { name: 'Garden of Lichtmoor', places: [{ name: 'Shop' }, { name: 'Seed house' }] }]]);
    expect(textOf(element, 'dk-typed-bar')).toBe('It is entered.');
  });

  it('that somebody else was faster with shows both, and keeps what is typed', async () => {
    const theirs = { ...GARDEN, version: 3, customer: { ...GARDEN.customer, reference: 'C-2' } };
    let asked = 0;
    setUp({ customer: () => of(asked++ === 0 ? GARDEN : theirs), changeCustomer: conflict });
    const { fixture, element } = await openPage();
    type(element.querySelector('input'), 'Garden');
    await fixture.whenStable();
    button(element, 'Enter it').click();
    await fixture.whenStable();
    const standing = textOf(element, 'dk-standing');
    expect(standing).toContain('NameBotanic GardenGarden');
    expect(standing).toContain('NumberC-2C-1');
  });

  it('that somebody else changes is shown anew, and beside what is typed', async () => {
    const theirs = { ...GARDEN, version: 3, customer: { ...GARDEN.customer, reference: 'C-2' } };
    let now = GARDEN;
    const { said } = setUp({ customer: () => of(now) });
    const { fixture, element } = await openPage();
    now = theirs;
    said.next({ topic: 'customers', by: 'Otto' });
    await fixture.whenStable();
    expect(element.querySelector('dk-standing')).toBeNull();
    expect(element.querySelectorAll('input')[1]?.value).toBe('C-2');
    type(element.querySelector('input'), 'Garden');
    now = { ...theirs, version: 4 };
    said.next({ topic: 'customers', by: 'Otto' });
    await fixture.whenStable();
    expect(textOf(element, 'dk-standing')).toContain('Otto has changed this meanwhile');
  });
});

describe('a job that is ordered again', () => {
  it('says what is kept of it, and is copied with what differs', async () => {
    const sent: unknown[] = [];
    const { closed } = setUp(
      {
        copyJob: (...told: unknown[]) => {
          sent.push(told);
          return of({ id: 77 });
        },
      },
      MAP,
    );
    const fixture = TestBed.createComponent(AgainDialog);
    await fixture.whenStable();
    const element = fixture.nativeElement as HTMLElement;
    expect(textOf(element, 'section')).toBe(
      'Taken over from revision 3, released. Counted then: 10,180 good of 10,000. Kept: Cutting die, at Rack 4',
    );
    button(element, 'Make the job').click();
    expect(sent).toEqual([[2, { number: 'HB-99', quantity: 10_000, title: 'Trail map', due: null }]]);
    expect(closed).toEqual([77]);
  });
});

describe('an offer', () => {
  it('says cost, price and how it comes about, and is declined', async () => {
    const sent: unknown[] = [];
    setUp({
      setOffer: (...told: unknown[]) => {
        sent.push(told);
        return of(OFFER);
      },
    });
    const fixture = TestBed.createComponent(OffersPage);
    await new Promise((resolve) => setTimeout(resolve, 20));
    await fixture.whenStable();
    const element = fixture.nativeElement as HTMLElement;
    expect(textOf(element, 'tbody tr')).toContain('5,000800.001,000.00 EUR200.00');
    expect(element.querySelector('[title]')?.getAttribute('title')).toContain('800.00 / (1 - 0.2) = 1,000.00');
    button(element, 'Declined').click();
    expect(sent).toEqual([[9, 1, 'declined']]);
  });

  it('that is taken becomes a job of the chosen line; a refusal is told', async () => {
    const sent: unknown[] = [];
    let answer: unknown = conflict();
    const { closed } = setUp(
      {
        takeOffer: (...told: unknown[]) => {
          sent.push(told);
          return answer;
        },
      },
      OFFER,
    );
    const fixture = TestBed.createComponent(TakeDialog);
    await fixture.whenStable();
    const element = fixture.nativeElement as HTMLElement;
    button(element, 'Make the job').click();
    await fixture.whenStable();
    expect(textOf(element, '[role=alert]')).toContain('Somebody else');
    answer = of({ ...OFFER, job: 78 });
    button(element, 'Make the job').click();
    expect(sent[1]).toEqual([9, { version: 1, line: 0, number: 'HB-99' }]);
    expect(closed).toEqual([78]);
  });
});
