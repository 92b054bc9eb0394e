import { type ComponentFixture, TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { HttpErrorResponse } from '@angular/common/http';
import { type Job, SHIPPED_WORKS } from '@druckerei/core';
import type { BegunJobs } from '@druckerei/contract';
import { Store, provideStore } from '@ngrx/store';
import { type Observable, of, throwError } from 'rxjs';
import { testAccount } from '../../platform/account.fixture';
import { Api } from '../../platform/api';
import { SessionActions, sessionFeature } from '../../platform/session.state';
import { OrderListPage } from './order-list.page';

const taken = new HttpErrorResponse({
  status: 409,
  error: {
    type: 'about:blank',
    title: 'Some job numbers are taken',
    status: 409,
    errors: [{ path: 'jobs[1].number', message: 'The job number HB-8 is taken. Choose another.' }],
  },
});

class FakeApi {
  sent: readonly Job[] = [];
  answer: Observable<BegunJobs> = of({ ids: [1, 2] });
  works = () => of(SHIPPED_WORKS);
  nextNumber = () => of('HB-7');
  createJobs(jobs: readonly Job[]): Observable<BegunJobs> {
    this.sent = jobs;
    return this.answer;
  }
}

let api: FakeApi;
let page: ComponentFixture<OrderListPage>;
const native = (): HTMLElement => page.nativeElement as HTMLElement;
const text = (): string => (native().textContent ?? '').replace(/\s+/g, ' ');

beforeEach(() => {
  localStorage.clear();
  api = new FakeApi();
  TestBed.configureTestingModule({
    providers: [
      provideRouter([]),
      provideStore({ [sessionFeature.name]: sessionFeature.reducer }),
      { provide: Api, useValue: api },
    ],
  });
  TestBed.inject(Store).dispatch(SessionActions.found({ account: testAccount(['plan']), demo: false, first: false }));
  page = TestBed.createComponent(OrderListPage);
  page.detectChanges();
});

/** Pastes lines, and waits until all are read. */
async function paste(...lines: string[]): Promise<void> {
  const area = native().querySelector('textarea');
  if (!area) throw new Error('nowhere to paste');
  area.value = lines.join('\n');
  area.dispatchEvent(new Event('input'));
  do {
    await new Promise((resolve) => setTimeout(resolve));
    page.detectChanges();
  } while (native().querySelector('[data-test=outcome], [role=alert]') === null);
}
const button = (text: string): HTMLButtonElement => {
  const found = [...native().querySelectorAll('button')].find((one) => one.textContent.includes(text));
  if (!found) throw new Error(`no button ${text}`);
  return found;
};

describe('a list of orders', () => {
  it('gives jobs without a number the next ones of the works, in the order of the lines', async () => {
    await paste('Copies;Description', '100;poster A2', 'some;poster A2', '200;leaflet A4');
    expect(text()).toContain('2 jobs can be begun; 1 line cannot.');
    expect(text()).toContain('Line 3: The quantity “some” is no whole number');
    button('Begin 2 jobs').click();
    expect(api.sent.map(({ number, order }) => [number, order.quantity])).toEqual([
      ['HB-7', 100],
      ['HB-8', 200],
    ]);
    page.detectChanges();
    expect(text()).toContain('2 jobs begun.');
  });
  it('stays where none was begun, and says of which line', async () => {
    api.answer = throwError(() => taken);
    await paste('Copies;Description', '100;poster A2', '200;leaflet A4');
    button('Begin 2 jobs').click();
    page.detectChanges();
    expect(text()).toContain('None was begun. Line 3: The job number HB-8 is taken.');
    expect(button('Begin 2 jobs').disabled).toBe(false);
  });
  it('asks which column is the product where no heading tells', async () => {
    await paste('red;blue', '1;2');
    expect(native().querySelector('[role=alert]')?.textContent).toContain('Say which column is: Product, in words.');
  });
  it('says where there are more lines than are begun at once', async () => {
    await paste('Copies;Description', ...Array.from({ length: 201 }, () => '100;poster A2'));
    expect(native().querySelector('[role=alert]')?.textContent).toContain('201 lines are more than are begun at once');
  });
});
