import { TestBed } from '@angular/core/testing';
import { HttpErrorResponse } from '@angular/common/http';
import { type Observable, Subject, of, throwError } from 'rxjs';
import { WholeLists } from '../ui/whole-lists';
import { SearchedList } from './searched-list';

interface Asked {
  readonly search: string;
  readonly skip: number;
  readonly limit: number;
}
interface Answer {
  rows: string[];
  total: number;
}

function listOf(answer: (asked: Asked) => Observable<Answer>) {
  const asked: Asked[] = [];
  const list = TestBed.runInInjectionContext(
    () =>
      new SearchedList<string>((one) => {
        asked.push(one);
        return answer(one);
      }),
  );
  return { list, asked };
}

describe('a list that is searched', () => {
  beforeEach(() => jest.useFakeTimers());
  afterEach(() => jest.useRealTimers());
  const settle = (): void => {
    jest.advanceTimersByTime(1_000);
  };

  it('is asked for at once, then by the last words that were typed, and goes on where it ended', () => {
    const { list, asked } = listOf(({ skip }) => of({ rows: [`row ${skip}`], total: 2 }));
    expect(list.loaded()).toBe(false);
    settle();
    expect([list.rows(), list.total(), list.loaded()]).toEqual([['row 0'], 2, true]);
    list.find('ga');
    list.find(' garden ');
    settle();
    list.more();
    settle();
    expect(list.rows()).toEqual(['row 0', 'row 1']);
    expect(asked.map(({ search, skip }) => [search, skip])).toEqual([
      ['', 0],
      ['garden', 0],
      ['garden', 1],
    ]);
  });

  it('sends the first key at once, and waits where others follow it fast', () => {
    const { list, asked } = listOf(() => of({ rows: [], total: 0 }));
    settle();
    const words = (): string[] => asked.slice(1).map(({ search }) => search);
    list.find('g');
    jest.advanceTimersByTime(1);
    expect(words()).toEqual(['g']);
    for (const typed of ['ga', 'gar', 'gard']) {
      list.find(typed);
      jest.advanceTimersByTime(10);
    }
    expect(words()).toEqual(['g']);
    jest.advanceTimersByTime(20);
    expect(words()).toEqual(['g', 'gard']);
  });

  it('shows no older answer over a newer one', () => {
    const answers: Subject<Answer>[] = [];
    const { list } = listOf(() => {
      const answer = new Subject<Answer>();
      answers.push(answer);
      return answer;
    });
    settle();
    list.find('new');
    settle();
    answers[1]?.next({ rows: ['new'], total: 1 });
    answers[0]?.next({ rows: ['old'], total: 1 });
    expect(list.rows()).toEqual(['new']);
  });

  it('says why it cannot be had, and forgets that when it can', () => {
    let away = true;
    const { list } = listOf(() =>
      away ? throwError(() => new HttpErrorResponse({ status: 0 })) : of({ rows: ['row'], total: 1 }),
    );
    settle();
    expect(list.failed()).toContain('cannot be reached');
    away = false;
    list.again();
    settle();
    expect([list.failed(), list.rows()]).toEqual(['', ['row']]);
  });

  /** Rows of a list of so many, as the server hands them out: at most 500 at once. */
  const many =
    (total: number) =>
    ({ skip, limit }: Asked): Observable<Answer> =>
      limit > 500
        ? throwError(() => new HttpErrorResponse({ status: 400 }))
        : of({ rows: Array.from({ length: Math.min(limit, total - skip) }, (_, i) => `row ${skip + i}`), total });

  it('shows all it has where somebody wants all, and is asked anew for as many, in parts that the server gives', async () => {
    jest.useRealTimers();
    const { list, asked } = listOf(many(1_230));
    await TestBed.inject(WholeLists).showAll();
    for (let i = 0; i < 50 && !list.loaded(); i++) await new Promise((go) => setTimeout(go, 5));
    await TestBed.inject(WholeLists).showAll();
    expect(list.rows()).toEqual(Array.from({ length: 1_230 }, (_, i) => `row ${i}`));
    asked.length = 0;
    list.again();
    for (let i = 0; i < 50 && asked.length < 3; i++) await new Promise((go) => setTimeout(go, 5));
    expect(asked.map(({ skip, limit }) => [skip, limit])).toEqual([
      [0, 500],
      [500, 500],
      [1_000, 230],
    ]);
    expect([list.rows().length, list.failed()]).toEqual([1_230, '']);
  });

  it('gives up where the rest does not come', async () => {
    jest.useRealTimers();
    const { list } = listOf((asked) =>
      asked.skip > 0 ? throwError(() => new HttpErrorResponse({ status: 503 })) : many(300)(asked),
    );
    for (let i = 0; i < 50 && !list.loaded(); i++) await new Promise((go) => setTimeout(go, 5));
    await TestBed.inject(WholeLists).showAll();
    expect(list.rows()).toHaveLength(100);
    expect(list.failed()).not.toBe('');
  });
});
