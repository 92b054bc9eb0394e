import type { Type } from '@angular/core';
import { type ComponentFixture, TestBed } from '@angular/core/testing';
import { CodesPage } from './codes.page';
import { NumbersPage } from './numbers.page';
import { SinglesPage } from './singles.page';

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

describe('numbers', () => {
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
    elementOf(fixture).querySelector<HTMLButtonElement>('button')?.click();
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

describe('single books', () => {
  it('are batched, earliest due first, with the people at the final check', async () => {
    const fixture = await show(SinglesPage);
    const rows = [...elementOf(fixture).querySelectorAll('[data-test=batches] tbody tr')].map((row) =>
      (row.textContent ?? '').replace(/\s+/g, ' '),
    );
    expect(rows).toHaveLength(2);
    expect(rows[0]).toContain('W-102 W-101 W-104');
    expect(textOf(fixture, '[data-test=people]')).toContain('1 person keeps up');
  });
  it('say which line cannot be read, and keep the others', async () => {
    const fixture = await show(SinglesPage);
    await type(
      fixture,
      'Order book',
      'A; Guide; 148; 210; 160; cream; shiny; 2026-12-04\nB; Guide; 148; 210; 160; cream; matt; 2026-12-04',
    );
    expect(textOf(fixture)).toContain('Line 1: film is matt, gloss or none, not “shiny”.');
    expect(elementOf(fixture).querySelectorAll('[data-test=batches] tbody tr')).toHaveLength(1);
    await type(fixture, 'Books an hour', '0');
    expect(textOf(fixture)).toContain('both above 0');
  });
});
