import { TestBed } from '@angular/core/testing';
import type { Finding } from '@druckerei/core';
import { Findings } from './findings';

const finding = (step: string, weight: Finding['weight'], mends: boolean): Finding => ({
  rule: 'dry-before-cut',
  name: 'Dry before the cut',
  reason: 'The clamp presses wet ink.',
  path: 'route[0]',
  step,
  weight,
  ...(mends ? { mend: { kind: 'insert', operation: 'dry', before: step } } : {}),
});

describe('what the route breaks', () => {
  it('has the hard rules first, and the key on the mend that the key takes', async () => {
    const findings = [finding('wrap', 'soft', true), finding('fold', 'hard', false), finding('cut', 'hard', true)];
    const fixture = TestBed.createComponent(Findings);
    fixture.componentRef.setInput('findings', findings);
    fixture.componentRef.setInput('names', new Map());
    fixture.componentRef.setInput('editable', true);
    await fixture.whenStable();
    const rows = [...(fixture.nativeElement as HTMLElement).querySelectorAll('li')];
    expect(rows.map((row) => row.querySelector('.where')?.textContent)).toEqual(['fold', 'cut', 'wrap']);
    expect(rows.map((row) => row.querySelector('kbd')?.textContent ?? '')).toEqual(['', 'M', '']);
  });
});
