import { TestBed } from '@angular/core/testing';
import { DateBox } from './date-box';
import { useLocale } from './locale';

const open = (value = '') => {
  const fixture = TestBed.createComponent(DateBox);
  fixture.componentRef.setInput('label', 'Due');
  fixture.componentRef.setInput('value', value);
  const picked: string[] = [];
  fixture.componentInstance.picked.subscribe((date) => picked.push(date));
  fixture.detectChanges();
  const root = fixture.nativeElement as HTMLElement;
  const field = root.querySelector('input');
  if (!field) throw new Error('no field');
  const type = (text: string): void => {
    field.value = text;
    field.dispatchEvent(new Event('input'));
    field.dispatchEvent(new Event('change'));
    fixture.detectChanges();
  };
  return { field, picked, type, alert: () => root.querySelector('[role=alert]')?.textContent.trim() };
};

describe('a date', () => {
  afterEach(() => useLocale(null));

  it.each([
    ['en-GB', '11/12/2026'],
    ['en-US', '12/11/2026'],
    ['de-DE', '11.12.2026'],
    ['sv-SE', '2026-12-11'],
  ])('is shown and read as %s writes it: %s', (locale, text) => {
    useLocale(locale);
    const { field, picked, type } = open('2026-12-11');
    expect(field.value).toBe(text);
    type('');
    type(text);
    expect(picked).toEqual(['', '2026-12-11']);
  });

  it('is read as it is kept, in every locale', () => {
    useLocale('de-DE');
    const { picked, type } = open();
    type('2027-01-31');
    expect(picked).toEqual(['2027-01-31']);
  });

  it('that is none says how one is written here, and nothing is taken', () => {
    const { picked, type, alert } = open('2026-12-11');
    type('soon');
    expect(alert()).toBe('“soon” is no date; write it like 31/12/2026');
    expect(picked).toEqual([]);
    type('');
    expect([picked, alert()]).toEqual([[''], undefined]);
  });
});
