import { TestBed } from '@angular/core/testing';
import { ToldOnce } from './told-once';

describe('what is told once', () => {
  it('is copied as it stands, and another one can be copied again', async () => {
    const copied: string[] = [];
    Object.defineProperty(navigator, 'clipboard', {
      configurable: true,
      value: { writeText: (text: string) => Promise.resolve(copied.push(text)) },
    });
    const fixture = TestBed.createComponent(ToldOnce);
    fixture.componentRef.setInput('kind', 'token');
    fixture.componentRef.setInput('text', 'druckerei-first');
    await fixture.whenStable();
    const element = fixture.nativeElement as HTMLElement;
    const button = (): HTMLButtonElement | null => element.querySelector('button');
    expect(element.querySelector('[data-test=token]')?.textContent).toBe('druckerei-first');
    button()?.click();
    await fixture.whenStable();
    expect([copied, button()?.textContent.trim()]).toEqual([['druckerei-first'], 'Copied']);
    fixture.componentRef.setInput('text', 'druckerei-second');
    await fixture.whenStable();
    expect(button()?.textContent.trim()).toBe('Copy it');
  });
});
