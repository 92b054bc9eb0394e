import { HttpErrorResponse } from '@angular/common/http';
import { TestBed } from '@angular/core/testing';
import { By } from '@angular/platform-browser';
import { provideRouter } from '@angular/router';
import { Store, provideStore } from '@ngrx/store';
import type { Customer } from '@druckerei/contract';
import { Subject, of, throwError } from 'rxjs';
import { testAccount } from '../../platform/account.fixture';
import { Api } from '../../platform/api';
import { SessionActions, sessionFeature } from '../../platform/session.state';
import { ListFile } from '../../ui/list-file';
import { CustomersPage } from './customers.page';

const LIST = ['Customer;Delivery;Over', 'Fernhollow;Hall;5', ';Hall;', 'Fernhollow;Office;', 'Alder;;'].join('\n');

const opened = async (addCustomers: (customers: readonly Customer[]) => unknown, list = LIST) => {
  TestBed.configureTestingModule({
    providers: [
      provideRouter([]),
      provideStore({ [sessionFeature.name]: sessionFeature.reducer }),
      { provide: Api, useValue: { customers: () => of({ rows: [], total: 0 }), addCustomers } },
    ],
  });
  TestBed.inject(Store).dispatch(
    SessionActions.found({ account: testAccount(['customers']), demo: false, first: false }),
  );
  const fixture = TestBed.createComponent(CustomersPage);
  await fixture.whenStable();
  const file = fixture.debugElement.query(By.directive(ListFile));
  (file.componentInstance as ListFile<unknown>).begin(list);
  await fixture.whenStable();
  const page = fixture.nativeElement as HTMLElement;
  const button = (name: string) =>
    [...page.querySelectorAll('button')].find(({ textContent }) => textContent.includes(name));
  const press = async (name: string): Promise<void> => {
    button(name)?.click();
    await fixture.whenStable();
  };
  const settle = () => fixture.whenStable();
  return { button, press, settle, text: () => page.textContent.replace(/\s+/g, ' ') };
};

beforeEach(() => localStorage.clear());

describe('customers out of a file', () => {
  it('are read a while at a time, so that the page goes on', async () => {
    // Every look at the clock is later than a while.
    let clock = 0;
    const now = jest.spyOn(performance, 'now').mockImplementation(() => (clock += 100));
    const lines = ['Name;Note', ...Array.from({ length: 1_200 }, (_, i) => `House ${i};`)];
    const page = await opened(() => of({ answer: { ids: [] } }), lines.join('\n'));
    expect(page.text()).toContain('House 99');
    expect(page.text()).toContain('Reading: 500 of 1,200 lines.');
    expect(page.button('Take')?.disabled).toBe(true);
    for (let i = 0; i < 20 && !page.text().includes('can be taken'); i++) {
      await new Promise((resolve) => setTimeout(resolve));
      await page.settle();
    }
    expect(page.text()).toContain('1,200 customers can be taken.');
    now.mockRestore();
  });

  it('show how far they are, and can be stopped', async () => {
    const way = new Subject<unknown>();
    const page = await opened(() => way);
    await page.press('Take 2 customers');
    expect(page.text()).toContain('Sending the list.');
    way.next({ doing: 'entering', done: 1_000, of: 2_000 });
    await page.settle();
    expect(page.text()).toContain('Entering the list: 1,000 of 2,000');
    expect(page.button('Take 2 customers')?.disabled).toBe(true);
    await page.press('Stop');
    expect(way.observed).toBe(false);
    expect(page.text()).toContain('Stopped. Nothing was taken, unless it had just come to its end.');
    expect(page.button('Take 2 customers')?.disabled).toBe(false);
  });

  it('are told with what cannot be taken, and entered together', async () => {
    const sent: (readonly Customer[])[] = [];
    const page = await opened((customers) => {
      sent.push(customers);
      return of({ answer: { ids: [1, 2] } });
    });
    expect(page.text()).toContain('2 customers can be taken; 1 line cannot.');
    expect(page.text()).toContain('Line 3: Customer is empty.');
    await page.press('Take 2 customers');
    expect(sent).toEqual([
      [
        {
          name: 'Fernhollow',
          policy: { kind: 'percent', under: 0, over: 5 },
          places: [{ name: 'Hall' }, { name: 'Office' }],
        },
        { name: 'Alder' },
      ],
    ]);
    expect(page.text()).toContain('2 customers entered.');
    expect(page.text()).not.toContain('can be taken');
  });

  it('stay on show where a name is taken, told by its line', async () => {
    const errors = [{ path: 'customers[1].name', message: '“Alder” is a name of Alder School.' }];
    const error = { type: 'about:blank', title: 'Some customers have names that are taken', status: 409, errors };
    const page = await opened(() => throwError(() => new HttpErrorResponse({ status: 409, error })));
    await page.press('Take 2 customers');
    expect(page.text()).toContain('Nothing was taken. Line 5: “Alder” is a name of Alder School.');
    expect(page.text()).toContain('2 customers can be taken');
  });
});
