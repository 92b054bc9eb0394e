import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { type ComponentFixture, TestBed } from '@angular/core/testing';
import { SHIPPED_WORKS, USUAL_HOURS } from '@druckerei/core';
import type { Floor } from '@druckerei/contract';
import { HoursPanel } from './hours.panel';

const floorOf = (
  hoursVersion: number,
  hours: Floor['hours'] = JSON.parse(JSON.stringify(USUAL_HOURS)) as Floor['hours'],
): Floor => ({
  hours,
  hoursVersion,
  jobs: [],
  pins: [],
  inForce: null,
  trial: null,
  run: null,
  leftOut: 0,
  waiting: 0,
  unplanned: [],
});

describe('hours that are edited', () => {
  let fixture: ComponentFixture<HoursPanel>;
  let http: HttpTestingController;
  const show = (floor: Floor): void => {
    fixture.componentRef.setInput('floor', floor);
    fixture.detectChanges();
  };
  const element = (): HTMLElement => fixture.nativeElement as HTMLElement;
  const button = (name: RegExp): HTMLButtonElement => {
    const found = [...element().querySelectorAll('button')].find((one) => name.test(one.textContent));
    if (!found) throw new Error('no such button');
    return found;
  };
  beforeEach(() => {
    TestBed.configureTestingModule({ providers: [provideHttpClient(), provideHttpClientTesting()] });
    fixture = TestBed.createComponent(HoursPanel);
    http = TestBed.inject(HttpTestingController);
    fixture.componentRef.setInput('works', SHIPPED_WORKS);
    fixture.componentRef.setInput('may', true);
    show(floorOf(3));
  });
  const rows = (): number => element().querySelectorAll('input[type=datetime-local]').length / 2;

  it('stay while others plan, and are saved over what they were begun from', () => {
    button(/Closed or open/).click();
    fixture.detectChanges();
    show(floorOf(3));
    expect(rows()).toBe(1);
    button(/Save hours/).click();
    const call = http.expectOne('/api/floor/hours');
    expect((call.request.body as { version: number }).version).toBe(3);
    call.flush(floorOf(4, (call.request.body as { hours: Floor['hours'] }).hours));
    fixture.detectChanges();
    expect(button(/Save hours/).disabled).toBe(true);
  });
  it('that are edited while others are being saved stay too, on top of what was saved', () => {
    button(/Closed or open/).click();
    fixture.detectChanges();
    button(/Save hours/).click();
    const call = http.expectOne('/api/floor/hours');
    button(/Closed or open/).click();
    fixture.detectChanges();
    call.flush(floorOf(4, (call.request.body as { hours: Floor['hours'] }).hours));
    fixture.detectChanges();
    expect(rows()).toBe(2);
    button(/Save hours/).click();
    const { version, hours } = http.expectOne('/api/floor/hours').request.body as {
      version: number;
      hours: Floor['hours'];
    };
    expect([version, hours.exceptions.length]).toEqual([4, 2]);
  });
  it('stay where somebody else has changed the hours, which is told and not overwritten', () => {
    button(/Closed or open/).click();
    fixture.detectChanges();
    show(floorOf(4));
    expect(rows()).toBe(1);
    expect(element().textContent).toContain('Somebody has changed the hours meanwhile');
    button(/Save hours/).click();
    expect((http.expectOne('/api/floor/hours').request.body as { version: number }).version).toBe(3);
    button(/^Undo/).click();
    fixture.detectChanges();
    expect(rows()).toBe(0);
    expect(element().textContent).not.toContain('Somebody has changed');
  });
  it('that nobody edits are those of the others at once', () => {
    show(floorOf(4, { ...(USUAL_HOURS as Floor['hours']), press: [] }));
    expect(button(/Save hours/).disabled).toBe(true);
    expect(element().textContent).not.toContain('Somebody has changed');
  });
});
