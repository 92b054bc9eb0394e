import { TestBed } from '@angular/core/testing';
import { NumberBox } from './number-box';

describe('number box', () => {
  async function make(inputs: Record<string, unknown>) {
    const fixture = TestBed.createComponent(NumberBox);
    for (const [name, value] of Object.entries({ label: 'Width', unit: 'mm', value: 420, ...inputs }))
      fixture.componentRef.setInput(name, value);
    await fixture.whenStable();
    const element = fixture.nativeElement as HTMLElement;
    const input = element.querySelector('input');
    if (!input) throw new Error('no input');
    const type = async (text: string) => {
      input.value = text;
      input.dispatchEvent(new Event('input'));
      await fixture.whenStable();
    };
    return { fixture, element, input, type, value: () => fixture.componentInstance.value() };
  }

  it('shows its value with the unit, thousands apart', async () => {
    const { input, element } = await make({ value: 1020 });
    expect(input.value).toBe('1,020');
    expect(element.textContent).toContain('mm');
  });

  it('takes what can be read at once, and keeps what cannot with the reason', async () => {
    const { input, element, type, value } = await make({});
    await type('1,250.5');
    expect(value()).toBe(1250.5);
    await type('wide');
    expect(value()).toBe(1250.5);
    expect(element.textContent).toContain('A number is wanted');
    input.dispatchEvent(new Event('blur'));
    expect(input.value).toBe('wide');
    expect(input.getAttribute('aria-invalid')).toBe('true');
  });

  it('puts the unit into the label in narrow places, and shows what somebody else finds wrong', async () => {
    const { element } = await make({ compact: true, error: 'Too wide for any press' });
    expect(element.querySelector('mat-label')?.textContent).toBe('Width, mm');
    expect(element.textContent).toContain('Too wide for any press');
  });
});
