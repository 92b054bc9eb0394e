import { HttpErrorResponse } from '@angular/common/http';
import { type ComponentFixture, TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { Store, provideStore } from '@ngrx/store';
import { SHIPPED_WORKS, beginOrder, readOrder } from '@druckerei/core';
import type { Exchanged } from '@druckerei/contract';
import { type Observable, of, throwError } from 'rxjs';
import { testAccount } from '../../platform/account.fixture';
import { Api } from '../../platform/api';
import { BookApi } from '../../platform/book-api';
import { SessionActions, sessionFeature } from '../../platform/session.state';
import { JobFilePage } from './job-file.page';

const begun = beginOrder(
  { number: 'X-1', title: 'Ferry news', customer: '', quantity: '900', due: '', product: 'leaflet' },
  { read: readOrder('leaflet A4', SHIPPED_WORKS), first: 'day' },
  SHIPPED_WORKS,
);
if (!begun.ok) throw new Error('no job');
const JOB = begun.value.job as NonNullable<Exchanged['job']>;
const COUNT = { job: 'X-1', station: 'box', at: '2026-11-30T10:00:00Z', good: 1400, spoiled: 3 };
const told = (change: Partial<Exchanged> = {}): Exchanged => ({ job: JOB, why: [], said: [], counts: [], ...change });
const refused = (errors: readonly object[], status = 422): Observable<never> =>
  throwError(() => new HttpErrorResponse({ status, error: { type: 'about:blank', title: 'Refused', status, errors } }));

let page: ComponentFixture<JobFilePage>;
let answer: () => Observable<Exchanged>;
let made: () => Observable<never>;
const sent: unknown[] = [];
const text = (): string => ((page.nativeElement as HTMLElement).textContent ?? '').replace(/\s+/g, ' ');
const button = (label: string): HTMLButtonElement | undefined =>
  [...(page.nativeElement as HTMLElement).querySelectorAll('button')].find((one) => one.textContent.includes(label));

function open(rights: readonly string[] = ['plan', 'record']): void {
  sent.length = 0;
  answer = () => of(told());
  made = () => refused([{ path: 'number', message: 'The job number X-1 is taken. Choose another.' }], 409);
  TestBed.configureTestingModule({
    providers: [
      provideRouter([]),
      provideStore({ [sessionFeature.name]: sessionFeature.reducer }),
      {
        provide: Api,
        useValue: {
          readExchange: (file: string) => (sent.push(atob(file)), answer()),
          createJob: (job: unknown) => (sent.push(job), made()),
        },
      },
      {
        provide: BookApi,
        useValue: {
          enterCounts: (lines: unknown) => (sent.push(lines), of({ answer: { entered: 1, known: 1, held: 2 } })),
        },
      },
    ],
  });
  const account = testAccount(rights as Parameters<typeof testAccount>[0]);
  TestBed.inject(Store).dispatch(SessionActions.found({ account, demo: false, first: false }));
  page = TestBed.createComponent(JobFilePage);
  page.detectChanges();
}

async function choose(
  content: string,
  name = 'order.xjdf',
  until: () => boolean = () => sent.length > 0,
): Promise<void> {
  const field = (page.nativeElement as HTMLElement).querySelector<HTMLInputElement>('input[type=file]');
  if (field) Object.defineProperty(field, 'files', { value: [new File([content], name)], configurable: true });
  field?.dispatchEvent(new Event('change'));
  for (let i = 0; i < 100 && !until(); i++) await new Promise((resolve) => setTimeout(resolve, 5));
  await page.whenStable();
  page.detectChanges();
}

describe('a job out of a file', () => {
  it('is shown before it is begun, under a number of one’s choice', async () => {
    open();
    answer = () => of(told({ said: ['Taken as usual: stock.'] }));
    await choose('<XJDF/>');
    expect(sent).toEqual(['<XJDF/>']);
    expect(text()).toContain('asks forTitleFerry newsProductFolded leaflet or mapQuantity900');
    expect(text()).toContain('Taken as usual: stock.');
    const number = (page.nativeElement as HTMLElement).querySelector<HTMLInputElement>('mat-form-field input');
    expect(number?.value).toBe('X-1');
    if (number) number.value = ' X-2 ';
    number?.dispatchEvent(new Event('input'));
    page.detectChanges();
    button('Begin the job')?.click();
    page.detectChanges();
    expect(sent[1]).toEqual({ ...JOB, number: 'X-2' });
    expect(text()).toContain('The job number X-1 is taken. Choose another.');
  });

  it('tells faults by their lines, and why there is no job', async () => {
    open();
    answer = () => refused([{ path: 'line 12', message: '‘few’ is no whole number.' }]);
    await choose('<XJDF/>');
    expect(text()).toContain('Line 12: ‘few’ is no whole number.');
    answer = () => of(told({ job: null, why: ['There is no product in it.'] }));
    sent.length = 0;
    await choose('<XJDF/>');
    expect(text()).toContain('There is no product in it.');
    expect(button('Begin the job')).toBeUndefined();
  });

  it('shows what was counted, and enters it', async () => {
    open();
    answer = () => of(told({ job: null, counts: [COUNT] }));
    await choose('<XJDF/>');
    expect(text()).toMatch(/X-1box.*1,4003/);
    button('Enter 1 count in the book')?.click();
    page.detectChanges();
    expect(sent[1]).toMatchObject({ lines: [COUNT] });
    expect(text()).toContain('1 entry came into the book, 1 stood there already, 2 are held');
  });

  it('reads a job file without asking the server, and says what is wrong with one', async () => {
    open();
    await choose(JSON.stringify(JOB), 'job.json', () => false);
    expect(sent).toEqual([]);
    expect(text()).toContain('What job.json asks for');
    await choose('{"format": 1}', 'job.json', () => false);
    expect((page.nativeElement as HTMLElement).querySelector('[role=alert]')?.textContent).toMatch(/format/);
  });

  it('offers nothing to those who may not', async () => {
    open([]);
    answer = () => of(told({ counts: [COUNT] }));
    await choose('<XJDF/>');
    expect(button('Begin')).toBeUndefined();
    expect(button('Enter')).toBeUndefined();
    expect(text()).toContain('A planner begins jobs.');
  });
});
