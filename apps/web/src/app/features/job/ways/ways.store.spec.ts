import { TestBed } from '@angular/core/testing';
import { type Job, SHIPPED_WORKS, findWays } from '@druckerei/core';
import type { WaysAnswer, WaysQuestion } from './ways.messages';
import { example } from '../job.fixture';
import { ROWS, WaysStore } from './ways.store';

// The worker answers when the test lets it.
const asked: { question: WaysQuestion; answered: (answer: WaysAnswer) => void; ended: boolean }[] = [];
jest.mock('./ways.client', () => ({
  askWays: (question: WaysQuestion, answered: (answer: WaysAnswer) => void) => {
    const one = { question, answered, ended: false };
    asked.push(one);
    return () => {
      one.ended = true;
    };
  },
}));

describe('ways to run, as the page sees them', () => {
  const map = example('trail-map');
  const answer = (at = asked.length - 1): void => {
    const { question, answered } = asked[at] ?? {};
    if (question) answered?.({ kind: 'done', outcome: findWays(question.job, question.works, question.target) });
  };
  const open = () => {
    asked.length = 0;
    const store = TestBed.configureTestingModule({ providers: [WaysStore] }).inject(WaysStore);
    const find = (job: Job = map) => store.find(job, SHIPPED_WORKS, { kind: 'component', id: 'map' });
    return { store, find };
  };

  it('shows progress, then the list, cheapest first', () => {
    const { store, find } = open();
    find();
    asked[0]?.answered({ kind: 'progress', share: 0.4 });
    expect(store.search()).toEqual({ kind: 'running', share: 0.4 });
    answer();
    expect(store.search().kind).toBe('done');
    const costs = store.ranked().map(({ cost }) => cost);
    expect([...costs].sort((a, b) => a - b)).toEqual(costs);
  });

  it('ends the worker of an older question', () => {
    const { find } = open();
    find();
    find({ ...map, order: { ...map.order, quantity: 5 } });
    expect(asked.map(({ ended }) => ended)).toEqual([true, false]);
  });

  it('can be stopped, and keeps what stood there', () => {
    const { store, find } = open();
    find();
    answer();
    const before = store.ranked().length;
    find();
    store.stop();
    expect(store.search().kind).toBe('stopped');
    expect(asked.at(-1)?.ended).toBe(true);
    expect(store.ranked()).toHaveLength(before);
  });

  it('shows so many rows, more on asking, and ranks anew from the top', () => {
    const { store, find } = open();
    find();
    answer();
    const all = store.ranked().length;
    expect(store.rows()).toHaveLength(Math.min(ROWS, all));
    store.more();
    expect(store.rows()).toHaveLength(Math.min(2 * ROWS, all));
    store.rank('plates');
    expect(store.rows()).toHaveLength(Math.min(ROWS, all));
    expect(store.rows()[0]?.plates).toBe(Math.min(...store.ranked().map(({ plates }) => plates)));
  });

  it('says why a job has no ways', () => {
    const { store, find } = open();
    find({ ...map, components: map.components.map((c) => ({ ...c, stock: 'velvet' })) });
    answer();
    expect(store.search()).toMatchObject({ kind: 'failed' });
    expect(store.found()).toBeNull();
  });
});
