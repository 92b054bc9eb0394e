import { type ComponentFixture, TestBed } from '@angular/core/testing';
import { MAT_DIALOG_DATA, MatDialogRef } from '@angular/material/dialog';
import { provideRouter } from '@angular/router';
import { SHIPPED_WORKS } from '@druckerei/core';
import type { Finished } from '@druckerei/contract';
import { Store, provideStore } from '@ngrx/store';
import { type Observable, of } from 'rxjs';
import { Api } from '../../platform/api';
import { SessionActions, sessionFeature } from '../../platform/session.state';
import { CallOffDialog } from './call-off.dialog';
import { FinishedPanel } from './finished.panel';
import { FinishedStore } from './finished.store';
import { loadWords } from './load-words';
import { testAccount } from '../../platform/account.fixture';

const AT = '2027-01-10T08:00:00.000Z';
const LOT: Finished['lots'][number] = {
  id: 4,
  version: 1,
  job: 3,
  number: 'HB-3',
  title: 'Caddy',
  customer: 'Tea house',
  pieces: 1_000,
  place: 'Row 2',
  pieceG: 20,
  perPallet: 400,
  receivedBy: 'm',
  receivedAt: AT,
};
const FINISHED: Finished = {
  mark: 3,
  lots: [LOT],
  callOffs: [
    {
      id: 1,
      lot: 4,
      number: 'HB-3',
      title: 'Caddy',
      pieces: 800,
      destination: 'Fair',
      transitDays: 4,
      due: '2027-01-12',
      pieceG: 20,
      perPallet: 400,
      calledBy: 'm',
      calledAt: AT,
    },
  ],
  destinations: [{ name: 'Fair', days: 4 }],
};

class FakeStock {
  readonly calls: unknown[] = [];
  works = () => of(SHIPPED_WORKS);
  jobs = () => of([]);
  finished = (): Observable<Finished> => of(FINISHED);
  callOff(lot: number, call: object): Observable<Finished> {
    this.calls.push({ lot, ...call });
    return of({ ...FINISHED, lots: [] });
  }
}

function setUp(): { api: FakeStock; closed: () => boolean } {
  const api = new FakeStock();
  let shut = false;
  TestBed.configureTestingModule({
    providers: [
      provideStore({ [sessionFeature.name]: sessionFeature.reducer }),
      provideRouter([]),
      FinishedStore,
      { provide: Api, useValue: api },
      { provide: MatDialogRef, useValue: { close: () => (shut = true) } },
      { provide: MAT_DIALOG_DATA, useFactory: () => ({ stock: TestBed.inject(FinishedStore), lot: LOT }) },
    ],
  });
  const account = testAccount(['record', 'stores']);
  TestBed.inject(Store).dispatch(SessionActions.found({ account, demo: false, first: false }));
  return { api, closed: () => shut };
}
const textOf = (fixture: ComponentFixture<unknown>): string =>
  ((fixture.nativeElement as HTMLElement).textContent ?? '').replace(/\s+/g, ' ');

describe('finished stock', () => {
  it('says what a load comes to, from part of a pallet on', () => {
    const load = { pallets: 0, partly: 1, kg: 0.02, loadingM: 0.4, vehicles: 1 };
    expect(loadWords(load)).toBe('1 piece on one pallet, 0.02 kg, 0.4 m of loading, 1 truck');
    expect(loadWords({ ...load, pallets: 2, partly: 0, kg: 640, loadingM: 0.8 })).toBe(
      '2 pallets, 640 kg, 0.8 m of loading, 1 truck',
    );
    expect(loadWords({ ...load, loadingM: undefined, kg: 12 })).toBe('12 kg');
  });

  it('shows lots with what they load, and call-offs that were too late', async () => {
    setUp();
    const fixture = TestBed.createComponent(FinishedPanel);
    await fixture.whenStable();
    expect(textOf(fixture)).toContain('2 pallets and 200 pieces on one more, 20 kg, 1.2 m of loading, 1 truck');
    // Four days on the road to 12 January: it had to leave on the 8th, and was called on the 10th.
    expect(textOf(fixture)).toContain('8 Jan 2027, too late when it was called');
  });

  it('is called off to a known destination with its days, leaving in time', async () => {
    const { api, closed } = setUp();
    TestBed.inject(FinishedStore).load();
    const fixture = TestBed.createComponent(CallOffDialog);
    await fixture.whenStable();
    const inputs = [...(fixture.nativeElement as HTMLElement).querySelectorAll('input')];
    const type = async (at: number, text: string, kind = 'input'): Promise<void> => {
      const input = inputs[at];
      if (!input) throw new Error(`no field ${at}`);
      input.value = text;
      input.dispatchEvent(new Event(kind));
      await fixture.whenStable();
    };
    const submit = async (): Promise<void> => {
      (fixture.nativeElement as HTMLElement).querySelector('form')?.dispatchEvent(new Event('submit'));
      await fixture.whenStable();
    };
    await submit();
    expect(textOf(fixture)).toContain('Say where the pieces go.');
    await type(1, 'Fair');
    await type(3, '2027-02-10', 'change');
    expect(textOf(fixture)).toContain('1 pallet, 8 kg, 0.4 m of loading, 1 truck. Leaves by 6 Feb 2027.');
    await type(0, 'some');
    await submit();
    expect([textOf(fixture).includes('A whole number of pieces'), api.calls]).toEqual([true, []]);
    await type(0, '450');
    await submit();
    expect(api.calls).toEqual([
      {
        lot: 4,
        pieces: 450,
        expected: 1_000,
        version: 1,
        seen: 3,
        destination: 'Fair',
        transitDays: 4,
        due: '2027-02-10',
      },
    ]);
    expect(closed()).toBe(true);
  });
});
