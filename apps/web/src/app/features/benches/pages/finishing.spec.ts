import { HttpErrorResponse } from '@angular/common/http';
import type { Type } from '@angular/core';
import { type ComponentFixture, TestBed } from '@angular/core/testing';
import type { Job, SingleOrder } from '@druckerei/core';
import type { SingleBook } from '@druckerei/contract';
import { Store, provideStore } from '@ngrx/store';
import { type Observable, of, throwError } from 'rxjs';
import { Api } from '../../../platform/api';
import { SessionActions, sessionFeature } from '../../../platform/session.state';
import { MakeJob } from '../state/make-job';
import type { TakeIntoData } from '../parts/take-into-job.dialog';
import { CodesPage } from './codes.page';
import { NumbersPage } from './numbers.page';
import { SinglesPage } from './singles.page';
import { testAccount } from '../../../platform/account.fixture';

async function show<T>(type: Type<T>): Promise<ComponentFixture<T>> {
  const fixture = TestBed.createComponent(type);
  await fixture.whenStable();
  return fixture;
}
const elementOf = (fixture: ComponentFixture<unknown>): HTMLElement => fixture.nativeElement as HTMLElement;
const textOf = (fixture: ComponentFixture<unknown>, selector?: string): string => {
  const element = selector === undefined ? elementOf(fixture) : elementOf(fixture).querySelector(selector);
  return (element?.textContent ?? '').replace(/\s+/g, ' ').trim();
};
async function type(fixture: ComponentFixture<unknown>, label: string, value: string): Promise<void> {
  const field = [...elementOf(fixture).querySelectorAll('mat-form-field')].find((one) =>
    one.textContent?.includes(label),
  );
  const input = field?.querySelector<HTMLInputElement | HTMLTextAreaElement>('input,textarea');
  if (!input) throw new Error(`no field ${label}`);
  input.value = value;
  input.dispatchEvent(new Event('input'));
  await fixture.whenStable();
}

beforeEach(() => localStorage.clear());

describe('numbers', () => {
  const taken: Omit<TakeIntoData, 'works'>[] = [];
  beforeEach(() => {
    const takeInto = (data: Omit<TakeIntoData, 'works'>) => taken.push(data);
    TestBed.configureTestingModule({ providers: [{ provide: MakeJob, useValue: { takeInto } }] });
  });

  it('set the boxes of a job, and survive leaving the page', async () => {
    const first = await show(NumbersPage);
    await type(first, 'First number', '700');
    await type(first, 'Left out', '713');
    elementOf(first).querySelector<HTMLButtonElement>('[actions]')?.click();
    first.destroy();
    const fixture = await show(NumbersPage);
    expect(textOf(fixture, '[data-test=numbers]')).toContain('GF000700');
    const box = { id: 'n', kind: 'numbering-box' as const, name: 'Number' };
    const job = { components: [{ id: 'ticket', name: 'Ticket', tools: [box] }] } as unknown as Job;
    expect(taken.at(-1)?.parts(job)).toEqual([{ id: 'ticket', name: 'Ticket' }]);
    expect(taken.at(-1)?.take(job, 'ticket').components[0]?.tools).toEqual([
      expect.objectContaining({ ...box, start: 700, step: 1, digits: 6, skips: '713', checkSystem: 'MOD 97-10' }),
    ]);
  });

  it('stand by position so that piles run on, with their check characters', async () => {
    const fixture = await show(NumbersPage);
    await type(fixture, 'Sheets', '3');
    await type(fixture, 'Positions', '2');
    const rows = [...elementOf(fixture).querySelectorAll('[data-test=numbers] tbody tr')].map((row) =>
      [...row.querySelectorAll('td')].map((cell) => cell.textContent?.trim()),
    );
    expect(rows[0]?.[0]).toBe('GF00000195');
    expect(rows[1]?.[0]?.slice(0, 8)).toBe('GF000004');
    expect(textOf(fixture)).toContain('6 numbers.');
  });
  it('replace what is void, and say what cannot be read', async () => {
    const fixture = await show(NumbersPage);
    await type(fixture, 'Sheets', '3');
    await type(fixture, 'Positions', '2');
    await type(fixture, 'Voided', '4');
    expect(textOf(fixture, '[data-test=voids]')).toContain('GF000007');
    for (const [label, value, wanted] of [
      ['Step', '0', 'not 0'],
      ['Step', '1', 'numbers.'],
      ['Left out', 'seven', 'written like 7, 100-105'],
      ['Left out', '', 'numbers.'],
      ['Step', '-2', 'below 0'],
    ] as const) {
      await type(fixture, label, value);
      expect(textOf(fixture)).toContain(wanted);
    }
  });
});

describe('codes', () => {
  it('pass sound blocks and stop at the first error, with what to look at', async () => {
    const fixture = await show(CodesPage);
    [...elementOf(fixture).querySelectorAll('button')]
      .find(({ textContent }) => textContent.includes('Read two'))
      ?.click();
    await fixture.whenStable();
    expect(textOf(fixture, '[data-test=scan]')).toBe('2 blocks are complete and in order.');
    await type(fixture, 'Codes as they are read', 'HB-26-0440.01 HB-26-0440.03');
    expect(textOf(fixture, '[data-test=scan]')).toContain('A section is missing');
    await type(fixture, 'Codes as they are read', 'HB-26-0440.01 HB-26-0440.02!');
    expect(textOf(fixture, '[data-test=scan]')).toContain('upside down');
    await type(fixture, 'Sections of a block', 'none');
    expect(textOf(fixture)).toContain('1 to 99 sections');
  });
  it('match covers and blocks', async () => {
    const fixture = await show(CodesPage);
    await type(fixture, 'Blocks, in the order', 'a b c');
    await type(fixture, 'Covers, in the order', 'a b c');
    expect(textOf(fixture, '[data-test=kits]')).toBe('3 kits match.');
    await type(fixture, 'Covers, in the order', 'a c b');
    expect(textOf(fixture, '[data-test=kits]')).toContain('At place 2');
  });
});

/** An order book that does what the server would. */
class FakeBook {
  books: SingleBook[] = ['W-101', 'W-102', 'W-103'].map((id, i) => ({
    id,
    title: 'Guide',
    widthMm: i === 2 ? 130 : 148,
    heightMm: 210,
    pages: 64,
    stock: 'cream 90 g',
    film: 'matt',
    due: `2026-12-0${i + 3}`,
    version: 1,
    state: 'open',
    changedBy: 'm',
    changedAt: '2026-11-25T08:00:00.000Z',
  }));
  singles(): Observable<SingleBook[]> {
    return of(this.books);
  }
  addSingles(orders: readonly SingleOrder[]): Observable<SingleBook[]> {
    const added = orders.map((order): SingleBook => ({
      ...order,
      version: 1,
      state: 'open',
      changedBy: 'm',
      changedAt: '2026-11-25T08:00:00.000Z',
    }));
    return of((this.books = [...this.books, ...added]));
  }
  moveSingles(
    books: readonly Pick<SingleBook, 'id' | 'version'>[],
    state: SingleBook['state'],
  ): Observable<SingleBook[]> {
    const seen = (book: SingleBook): boolean =>
      books.some(({ id, version }) => id === book.id && version === book.version);
    this.books = this.books.map((book) => (seen(book) ? { ...book, state, version: book.version + 1 } : book));
    return of(this.books);
  }
  kitSingle(cover: string, block: string): Observable<SingleBook[]> {
    if (cover !== block) {
      const error = {
        type: 'about:blank',
        title: 'Not taken',
        status: 422,
        errors: [{ path: 'cover', message: 'Stop' }],
      };
      return throwError(() => new HttpErrorResponse({ status: 422, error }));
    }
    return this.moveSingles(
      this.books.filter(({ id }) => id === block),
      'kitted',
    );
  }
}

describe('single books', () => {
  const open = async (): Promise<{ fixture: ComponentFixture<SinglesPage>; book: FakeBook }> => {
    const book = new FakeBook();
    TestBed.configureTestingModule({
      providers: [provideStore({ [sessionFeature.name]: sessionFeature.reducer }), { provide: Api, useValue: book }],
    });
    const account = testAccount(['record', 'stores']);
    TestBed.inject(Store).dispatch(SessionActions.found({ account, demo: false, first: false }));
    return { fixture: await show(SinglesPage), book };
  };
  const press = async (fixture: ComponentFixture<unknown>, label: string): Promise<void> => {
    [...elementOf(fixture).querySelectorAll('button')].find((one) => one.textContent?.includes(label))?.click();
    await fixture.whenStable();
  };

  it('are batched, earliest due first, with the people at the final check', async () => {
    const { fixture } = await open();
    const rows = [...elementOf(fixture).querySelectorAll('[data-test=batches] tbody tr')].map((row) =>
      (row.textContent ?? '').replace(/\s+/g, ' '),
    );
    expect(rows).toHaveLength(2);
    expect(rows[0]).toContain('W-101 W-102');
    expect(textOf(fixture, '[data-test=people]')).toContain('1 person keeps up');
    await type(fixture, 'Books an hour', '0');
    expect(textOf(fixture)).toContain('both above 0');
  });

  it('say which line cannot be read, and take none until all can', async () => {
    const { fixture, book } = await open();
    const good = 'B; Guide; 148; 210; 160; cream; matt; 2026-12-04';
    await type(fixture, 'New orders', `A; Guide; 148; 210; 160; cream; shiny; 2026-12-04\n${good}`);
    expect(textOf(fixture)).toContain('Line 1: film is matt, gloss or none, not “shiny”.');
    await press(fixture, 'into the book');
    expect(book.books).toHaveLength(3);
    await type(fixture, 'New orders', good);
    await press(fixture, 'into the book');
    expect(book.books.map(({ id }) => id)).toContain('B');
    expect(elementOf(fixture).querySelector('textarea')?.value).toBe('');
  });

  it('go from printed to matched to looked over; codes that differ are refused and stay', async () => {
    const { fixture, book } = await open();
    await press(fixture, 'Printed');
    expect(book.books.map(({ state }) => state)).toEqual(['printed', 'printed', 'open']);
    const read = async (cover: string, block: string): Promise<void> => {
      for (const [field, code] of [
        ['cover', cover],
        ['block', block],
      ]) {
        const input = elementOf(fixture).querySelector<HTMLInputElement>(`[data-test=${field}]`);
        if (input) input.value = code ?? '';
      }
      await press(fixture, 'Match');
    };
    await read('W-101', 'W-102');
    expect(textOf(fixture, '[data-test=problem]')).toContain('Stop');
    expect(elementOf(fixture).querySelector<HTMLInputElement>('[data-test=cover]')?.value).toBe('W-101');
    await read('W-101', 'W-101');
    expect(book.books[0]?.state).toBe('kitted');
    await press(fixture, 'Looked over, good');
    expect(book.books[0]?.state).toBe('checked');
  });
});
