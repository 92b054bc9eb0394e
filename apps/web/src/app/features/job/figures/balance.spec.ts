import { TestBed } from '@angular/core/testing';
import { SHIPPED_WORKS, plan, worksWithoutPrices } from '@druckerei/core';
import { example, planned } from '../job.fixture';
import { Balance } from './balance';

const job = example('trail-map');
const shown = (made: ReturnType<typeof planned>): (string | null)[] => {
  const fixture = TestBed.createComponent(Balance);
  fixture.componentRef.setInput('plan', made);
  fixture.componentRef.setInput('names', new Map());
  fixture.detectChanges();
  const cells = (fixture.nativeElement as HTMLElement).querySelectorAll('[data-figure]');
  return [...cells].map((cell) => cell.getAttribute('data-figure'));
};

describe('the balance line', () => {
  it('has the cost, and not for whoever sees no prices', () => {
    const hidden = plan(job, worksWithoutPrices(SHIPPED_WORKS));
    if (!hidden.ok) throw new Error('not planned');
    const all = shown(planned(job));
    expect(all).toContain('total.cost');
    expect(shown(hidden.value)).toEqual(all.filter((id) => id !== 'total.cost'));
  });
});
