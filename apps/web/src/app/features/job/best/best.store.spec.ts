import { TestBed } from '@angular/core/testing';
import { SHIPPED_WORKS, bestPlan, ladderOf } from '@druckerei/core';
import type { BestAnswer, BestQuestion } from '../../../platform/best.messages';
import type * as runModule from '../../../platform/run';
import { example } from '../job.fixture';
import { BestStore } from './best.store';

// The worker answers when the test lets it.
const asked: { question: BestQuestion; answered: (answer: BestAnswer) => void }[] = [];
jest.mock('../../../platform/best-client', () => {
  const { Run } = jest.requireActual<typeof runModule>('../../../platform/run');
  return {
    bestRun: () =>
      new Run<BestQuestion, BestAnswer>(
        (question, answered) => {
          asked.push({ question, answered });
          return () => undefined;
        },
        ({ kind }) => kind === 'best' || kind === 'ladder',
      ),
  };
});

describe('better plans, as the page sees them', () => {
  const map = example('trail-map');
  const store = (): BestStore => {
    asked.length = 0;
    return TestBed.configureTestingModule({ providers: [BestStore] }).inject(BestStore);
  };
  const answer = (said: BestAnswer): void => asked.at(-1)?.answered(said);

  it('shows the best so far while it looks, then the best', () => {
    const best = store();
    best.find(map, SHIPPED_WORKS);
    const outcome = bestPlan(map, SHIPPED_WORKS, (found, share) => answer({ kind: 'so far', best: found, share }));
    expect(best.search.state().kind).toBe('running');
    answer({ kind: 'best', outcome });
    expect([best.search.state().kind, outcome.ok && best.best() === outcome.value]).toEqual(['idle', true]);
    best.find(map, SHIPPED_WORKS);
    expect(best.best()).toBeNull();
  });

  it('says why there is none', () => {
    const best = store();
    const lost = { ...map, components: map.components.map((one) => ({ ...one, stock: 'velvet' })) };
    best.find(lost, SHIPPED_WORKS);
    answer({ kind: 'best', outcome: bestPlan(lost, SHIPPED_WORKS) });
    expect(best.best()).toBeNull();
    expect(best.problems().join(' ')).toContain('velvet');
  });

  it('takes a ladder rung by rung, and where plates begin to pay', () => {
    const best = store();
    best.climbAll(map, SHIPPED_WORKS, [100, 10_000]);
    const outcome = ladderOf(map, SHIPPED_WORKS, [100, 10_000], (rung, share) => answer({ kind: 'rung', rung, share }));
    expect(best.rungs().map(({ quantity }) => quantity)).toEqual([100, 10_000]);
    answer({ kind: 'ladder', outcome });
    expect(best.breakEven()).toBe(outcome.ok ? outcome.value.breakEven : NaN);
    expect(best.climb.state().kind).toBe('idle');
  });
});
