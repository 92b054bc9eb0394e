import { type ComponentFixture, TestBed } from '@angular/core/testing';
import { type FloorHours, SHIPPED_WORKS, USUAL_HOURS, type Works } from '@druckerei/core';
import { DaysStrip, type Stretch, stripDays } from './days.strip';

const works: Works = { ...SHIPPED_WORKS, timeZone: 'Europe/Berlin' };
const [machine] = works.machines;
const hours: FloorHours = {
  ...USUAL_HOURS,
  exceptions: [
    { from: '2026-12-24T00:00', until: '2026-12-27T00:00', opens: false, why: 'Holidays' },
    { machine: machine?.id ?? '', from: '2026-12-02T12:00', until: '2026-12-03T00:00', opens: false, why: 'Oiling' },
    { crew: 'Bindery', from: '2026-12-01T16:00', until: '2026-12-01T18:00', opens: true, why: 'Overtime' },
  ],
  crews: [{ name: 'Bindery', places: 2, machines: [], shifts: USUAL_HOURS.finishing }],
};
const of = (whose: string, day: string, weeks?: number): number | undefined =>
  stripDays(hours, works, whose, '2026-12-02', weeks).find((one) => one.day === day)?.hours;

describe('the days of some weeks', () => {
  it('begin on a Monday, with the hours that are open on each', () => {
    const days = stripDays(hours, works, '', '2026-12-02');
    expect([days[0]?.day, days.length]).toEqual(['2026-11-30', 42]);
    expect([of('', '2026-12-01'), of('', '2026-12-05'), of('', '2026-12-24')]).toEqual([9, 0, 0]);
    expect([of('', '2026-12-02'), of(`machine:${machine?.id ?? ''}`, '2026-12-02')]).toEqual([9, 5]);
    expect([of('crew:Bindery', '2026-12-01'), of('crew:Bindery', '2026-12-24')]).toEqual([11, 0]);
  });
  it('are as long as the wall says over the change of summer time', () => {
    const nights: FloorHours = { ...USUAL_HOURS, press: [{ days: [6], from: '22:00', until: '06:00' }], finishing: [] };
    const days = stripDays(nights, works, '', '2026-03-23', 1);
    expect(days.filter((one) => one.hours > 0).map((one) => [one.day, one.hours])).toEqual([
      ['2026-03-28', 2],
      ['2026-03-29', 5],
    ]);
  });
});

describe('the strip of days', () => {
  let fixture: ComponentFixture<DaysStrip>;
  const chosen: (readonly Stretch[])[] = [];
  beforeEach(() => {
    jest.useFakeTimers({ now: Date.parse('2026-12-02T10:00Z'), doNotFake: ['queueMicrotask'] });
    chosen.length = 0;
    fixture = TestBed.createComponent(DaysStrip);
    fixture.componentRef.setInput('hours', hours);
    fixture.componentRef.setInput('works', works);
    fixture.componentInstance.chosen.subscribe((stretches) => chosen.push(stretches));
    fixture.detectChanges();
    Object.assign(Element.prototype, { releasePointerCapture: () => undefined });
  });
  afterEach(() => jest.useRealTimers());
  const cells = (): HTMLButtonElement[] => [
    ...(fixture.nativeElement as HTMLElement).querySelectorAll<HTMLButtonElement>('.days button'),
  ];
  const send = (at: number, type: string, init: KeyboardEventInit = {}): void => {
    cells()[at]?.dispatchEvent(type === 'keydown' ? new KeyboardEvent(type, init) : new Event(type));
    fixture.detectChanges();
  };

  it('closes the days that are dragged over, in either direction', () => {
    send(5, 'pointerdown');
    send(4, 'pointerenter');
    send(3, 'pointerenter');
    expect(cells().filter((one) => one.classList.contains('marked')).length).toBe(3);
    send(3, 'pointerup');
    expect(chosen).toEqual([[{ from: '2026-12-03T00:00', until: '2026-12-06T00:00', why: '' }]]);
    expect(cells().some((one) => one.classList.contains('marked'))).toBe(false);
  });
  it('does so by keys: one day by Enter, more by Shift and arrows', () => {
    send(2, 'keydown', { key: 'Enter' });
    send(3, 'keydown', { key: 'ArrowRight', shiftKey: true });
    send(4, 'keydown', { key: 'ArrowDown', shiftKey: true });
    send(11, 'keydown', { key: 'Enter' });
    send(0, 'keydown', { key: 'ArrowRight', shiftKey: true });
    send(1, 'keydown', { key: 'Escape' });
    expect(chosen.flat().map(({ from, until }) => [from.slice(5, 10), until.slice(5, 10)])).toEqual([
      ['12-02', '12-03'],
      ['12-03', '12-12'],
    ]);
  });
});
