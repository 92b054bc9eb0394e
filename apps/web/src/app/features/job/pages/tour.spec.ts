import { type ComponentFixture, TestBed } from '@angular/core/testing';
import { Tour } from './tour';

let fixture: ComponentFixture<Tour>;
const open = (): void => {
  fixture = TestBed.createComponent(Tour);
  fixture.detectChanges();
};
const page = (): HTMLElement => fixture.nativeElement as HTMLElement;
const press = (name: string): void => {
  [...page().querySelectorAll('button')].find(({ textContent }) => textContent.trim() === name)?.click();
  TestBed.tick();
  fixture.detectChanges();
};
const lit = (): string[] => [...document.querySelectorAll('.dk-spot')].map(({ tagName }) => tagName.toLowerCase());

beforeEach(() => {
  localStorage.clear();
  for (const part of ['dk-balance', 'dk-stream-pane']) document.body.append(document.createElement(part));
});
afterEach(() => {
  for (const part of document.querySelectorAll('dk-balance, dk-stream-pane')) part.remove();
});

describe('the tour of the job page', () => {
  it('asks first, shows part after part, and does not come again when it was walked', () => {
    open();
    expect(page().textContent).toContain('New here?');
    expect(lit()).toEqual([]);
    press('Show me');
    expect(page().textContent).toContain('1 of 5');
    expect(lit()).toEqual(['dk-balance']);
    press('Next');
    expect(lit()).toEqual(['dk-stream-pane']);
    for (const word of ['Next', 'Next', 'Next']) press(word);
    expect(page().textContent).toContain('F1 opens the guide');
    expect(page().textContent).not.toContain('Not again');
    press('Done');
    expect(page().textContent.trim()).toBe('');
    open();
    expect(page().textContent.trim()).toBe('');
  });
  it('is put away for ever by one press, and leaves nothing lit', () => {
    open();
    press('Show me');
    press('Not again');
    expect(page().textContent.trim()).toBe('');
    expect(lit()).toEqual([]);
    open();
    expect(page().textContent.trim()).toBe('');
  });
});
