import { HttpErrorResponse } from '@angular/common/http';
import { type ComponentRef, type Type } from '@angular/core';
import { type ComponentFixture, TestBed } from '@angular/core/testing';
import { MatDialogModule } from '@angular/material/dialog';
import { type Job, paperLosses } from '@druckerei/core';
import type { Stores } from '@druckerei/contract';
import { Store, provideStore } from '@ngrx/store';
import { of, throwError } from 'rxjs';
import { Api } from '../../../platform/api';
import { SessionActions, sessionFeature } from '../../../platform/session.state';
import { example, planned, revisionOf } from '../job.fixture';
import { FakeRoom } from '../room.fixture';
import { JobEditor } from '../state/job-editor';
import { JobActions, jobFeature } from '../state/job.state';
import { RoomStore } from '../record/room.store';
import { Losses } from '../figures/losses';
import { RollPlan } from '../buying/roll-plan';
import { Buying } from '../buying/buying';
import { CountTable } from '../order/count-table';
import { DeliveryFields } from '../order/delivery-fields';
import { IncidentFields } from './incident-fields';
import { NormField } from '../parts/norm-field';
import { RollsBench } from '../buying/rolls-bench';
import { testAccount } from '../../../platform/account.fixture';

const KEY = 'sheets/silk-115/1020x720/width';
const STORES: Stores = {
  mark: 7,
  drawn: [],
  onOrder: [],
  holdings: [
    {
      id: 1,
      version: 1,
      key: KEY,
      paper: { stock: 'silk-115', widthMm: 1020, heightMm: 720, grain: 'width' },
      quantity: 4200,
      place: 'Bay 3',
      changedBy: 'm',
      changedAt: '2026-11-25T08:00:00.000Z',
    },
  ],
  reservations: [{ job: 99, number: 'X', title: 'Other', key: KEY, quantity: 200, by: 'm' }],
};

function open(job: Job, api: Partial<Api> = {}): void {
  TestBed.configureTestingModule({
    imports: [MatDialogModule],
    providers: [
      provideStore({ job: jobFeature.reducer, [sessionFeature.name]: sessionFeature.reducer }),
      { provide: Api, useValue: { ...api, room: api.room ?? (() => of({ records: [], kept: [] })) } },
      RoomStore,
    ],
  });
  const store = TestBed.inject(Store);
  store.dispatch(SessionActions.found({ account: testAccount(), demo: false, first: false }));
  store.dispatch(JobActions.loaded({ revision: revisionOf(job), local: null }));
}
async function show<T>(type: Type<T>, inputs: Readonly<Record<string, unknown>> = {}): Promise<ComponentFixture<T>> {
  const fixture = TestBed.createComponent(type);
  const ref: ComponentRef<T> = fixture.componentRef;
  for (const [name, value] of Object.entries(inputs)) ref.setInput(name, value);
  await fixture.whenStable();
  return fixture;
}
const elementOf = (fixture: ComponentFixture<unknown>): HTMLElement => fixture.nativeElement as HTMLElement;
const cells = (element: HTMLElement, selector: string): string[][] =>
  [...element.querySelectorAll(selector)].map((row) =>
    [...row.querySelectorAll('th,td')].map((cell) => (cell.textContent ?? '').trim()),
  );
const button = (element: HTMLElement, text: string): HTMLButtonElement => {
  const found = [...element.querySelectorAll('button')].find((one) => one.textContent?.includes(text));
  if (!found) throw new Error(`no button ${text}`);
  return found;
};

describe('what is to be bought', () => {
  it('takes the store first, reserves for this job, and says why it was refused', async () => {
    const asked: unknown[] = [];
    let refuse = false;
    open(example('trail-map'), {
      stores: () => of(STORES),
      reserve: (job, { key, quantity, seen }) => {
        asked.push([job, key, quantity, seen]);
        if (refuse) return throwError(() => new HttpErrorResponse({ status: 0 }));
        return of({
          ...STORES,
          reservations: [...STORES.reservations, { job, number: 'HB', title: 'Map', key, quantity, by: 'm' }],
        });
      },
    });
    const fixture = await show(Buying);
    const element = elementOf(fixture);
    const paper = () => element.querySelector('li')?.textContent ?? '';
    // 4,200 on hand less 200 of another job; 1,484 short: 3 packs of 500, 16 over.
    expect(paper()).toContain('5,484 sheets');
    expect(paper()).toContain('200 reserved by others');
    expect(paper()).toContain('Order 1,500 sheets: 3 packs of 500 sheets, 16 sheets over');
    button(element, 'Reserve 4,000').click();
    await fixture.whenStable();
    expect(asked).toEqual([[7, KEY, 4000, 7]]);
    expect(paper()).toContain('4,000 by this job');
    refuse = true;
    button(element, 'Let go').click();
    await fixture.whenStable();
    expect(asked.at(-1)).toEqual([7, KEY, 0, 7]);
    expect(element.querySelector('[role=alert]')).not.toBeNull();
  });
});

describe('counts while it runs', () => {
  it('are taken one by one, kept in the field when they cannot be read, and tell what they come to', async () => {
    const job = example('trail-map');
    const room = new FakeRoom(job);
    open(job, { room: () => room.room(), enterEvent: (id, event, seen) => room.enterEvent(id, event, seen) });
    const fixture = await show(CountTable);
    const element = elementOf(fixture);
    const details = element.querySelector('details');
    if (!details) throw new Error('no details');
    details.open = true;
    details.dispatchEvent(new Event('toggle'));
    await fixture.whenStable();
    const enter = async (station: string, text: string): Promise<HTMLInputElement> => {
      const field = element.querySelector<HTMLInputElement>(`input[aria-label="Good out of ${station}"]`);
      if (!field) throw new Error(`no field for ${station}`);
      field.value = text;
      field.dispatchEvent(new Event('change'));
      await fixture.whenStable();
      return field;
    };
    expect((await enter('Fold', '9,9oo')).value).toBe('9,9oo');
    expect(element.textContent).toContain('A whole number of good pieces is wanted');
    expect((await enter('Fold', '9,900')).value).toBe('');
    const fold = cells(element, 'tbody tr').find(([name]) => name === 'Fold');
    // 10,011 are wanted: 111 missing at 1 % are 113 more, without another set-up.
    expect(fold?.slice(1, 4)).toEqual(['10,011', '9,900', '113']);
    expect(element.textContent).toContain('9,890 of 10,000 expected');
    // A printed count waits for the first good sheet: refused with the reason, and still in its field.
    expect((await enter('Print', '5,000')).value).toBe('5,000');
    expect(element.querySelector('dk-room-line')?.textContent).toContain('has not been started');
  });
});

describe('delivery', () => {
  it('tells delivered, invoiced, kept and missing, and parts the order', async () => {
    const job = example('trail-map');
    open({ ...job, order: { ...job.order, plannedOvers: 700, policy: { kind: 'percent', under: 10, over: 5 } } });
    const fixture = await show(DeliveryFields);
    const element = elementOf(fixture);
    expect(cells(element, '[data-test=outcomes] tbody tr')).toEqual([
      ['as planned', '10,700', '10,500', '10,500', '200', '0'],
      ['the fewest that are taken', '9,000', '9,000', '9,000', '0', '0'],
      ['the most that are taken', '10,500', '10,500', '10,500', '0', '0'],
    ]);
    button(element, 'Partial delivery').click();
    await fixture.whenStable();
    const editor = TestBed.inject(JobEditor);
    expect(editor.job()?.order.deliveries?.map(({ quantity }) => quantity)).toEqual([5000, 5000]);
    element.querySelector<HTMLButtonElement>('[aria-label="Take out delivery 2"]')?.click();
    await fixture.whenStable();
    expect(editor.job()?.order.deliveries).toBeUndefined();
  });
});

describe('incidents', () => {
  it('come by the norms, are changed for the job, and taken out', async () => {
    const job = example('ferry-timetable');
    open(job);
    const fixture = await show(IncidentFields, { index: 0, unit: 'cut-offs', place: 'web' });
    const element = elementOf(fixture);
    const editor = TestBed.inject(JobEditor);
    const incidents = () => editor.job()?.route[0]?.incidents;
    const lost = () => editor.plan()?.figures['step.print-leaflet.incidents']?.value;
    // A web breaks once in 100,000 and loses 800, its blankets are washed every 50,000 for 150: by the norms (handbook chapter 6).
    expect(element.textContent).toContain('once in 100,000, loses 800');
    expect(lost()).toBeCloseTo(0.008 + 0.003, 12);
    button(element, 'Change for this job').click();
    await fixture.whenStable();
    expect(incidents()?.[0]).toEqual({ name: 'Web break', rate: 0.00001, loss: 800 });
    const once = element.querySelectorAll<HTMLInputElement>('input')[1];
    if (!once) throw new Error('no field');
    once.value = '50,000';
    once.dispatchEvent(new Event('input'));
    expect(incidents()?.[0]?.rate).toBe(0.00002);
    element.querySelector<HTMLButtonElement>('[aria-label="Take out Web break"]')?.click();
    expect(incidents()?.map(({ name }) => name)).toEqual(['Blanket wash']);
    await fixture.whenStable();
    element.querySelector<HTMLButtonElement>('[aria-label="Take out Blanket wash"]')?.click();
    expect(incidents()).toEqual([]);
    expect(lost() ?? 0).toBe(0);
  });
});

describe('rolls', () => {
  it('are drawn and listed one by one', async () => {
    open(example('ferry-timetable'));
    const element = elementOf(await show(RollsBench, { componentId: 'leaflet' }));
    expect(element.textContent).toContain('11 rolls');
    const plan = await show(RollPlan, {
      rolls: [
        { number: 1, fromM: 0, toM: 7000, startMm: 996, endMm: 86, leftM: 0 },
        { number: 2, fromM: 7000, toM: 9000, startMm: 996, endMm: 850, leftM: 5000 },
      ],
      coreMm: 76,
    });
    const drawn = elementOf(plan);
    expect(cells(drawn, 'tbody tr')[1]).toEqual(['2', '7,000', '9,000', '996', '850', '5,000']);
    expect(drawn.querySelector('svg')?.getAttribute('aria-label')).toBe('2 rolls, 1 splice, 9,000 metres');
    expect(drawn.querySelectorAll('.rest')).toHaveLength(2);
  });
});

describe('where the paper goes', () => {
  it('stands most first, small parts in one line, and opens', async () => {
    const job = example('trail-map');
    open(job);
    const { losses } = paperLosses(planned(job));
    const names = new Map(job.route.map(({ id }) => [id, id]));
    const fixture = await show(Losses, { losses, bought: 463, names });
    const opened: string[] = [];
    fixture.componentInstance.figureOpened.subscribe((id) => opened.push(id));
    const rows = [...elementOf(fixture).querySelectorAll('li')];
    expect(rows[0]?.textContent).toContain('Cut away');
    expect(rows.length).toBeLessThan(losses.length);
    expect(elementOf(fixture).textContent).toContain('in smaller parts');
    rows[1]?.querySelector('button')?.click();
    expect(opened).toEqual([losses[1]?.figure]);
  });
});

describe('a norm in the working', () => {
  it('shows every level that it may be told at for the step it was opened from', async () => {
    open(example('trail-map'));
    const element = elementOf(
      await show(NormField, { trail: ['step.fold.processUnits', 'step.fold.running.norm', 'norm.spoil.fold.running'] }),
    );
    const levels = [...element.querySelectorAll('dt')].map((term) => term.textContent?.trim());
    expect(levels[0]).toBe('in this job');
    expect(levels.slice(2)).toEqual(['runs up to 10,000', 'on coated stock', 'in the house', 'as shipped']);
    expect(element.querySelector('dd.here')?.textContent).toContain('1 %, in force');
  });
});
