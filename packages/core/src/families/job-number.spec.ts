import { nextJobNumber, numberAfter, numberEnds, wrongNumberPattern } from './job-number.js';

describe('the number of the next job', () => {
  it.each([
    [['HB-26-0449', 'HB-26-0448', 'HB-2042'], 'HB-26-0450'],
    [['0999'], '1000'],
    [['7', '12', '9'], '13'],
    [['Map'], undefined],
    [[], undefined],
  ])('%j is followed by %s', (numbers, next) => {
    expect(numberAfter(numbers)).toBe(next);
  });

  it.each([
    ['HB-{yy}-####', ['HB-26-0449', 'HB-26-0007', 'HB-25-0900', 'HB-26-9', 'HB-26-04x1'], 'HB-26-0450'],
    ['HB-{yy}-####', [], 'HB-26-0001'],
    ['HB-{yy}-####', ['HB-26-9999'], 'HB-26-10000'],
    ['{year}/{month}/##-k', ['2026/11/07-k', '2026/10/30-k', '2026/11/08'], '2026/11/08-k'],
    ['#', ['4', '41', '4a', '-5'], '42'],
  ])('by %s behind %j is %s', (pattern, taken, next) => {
    expect(wrongNumberPattern(pattern)).toBeUndefined();
    expect(nextJobNumber(pattern, taken, '2026-11-28')).toBe(next);
  });
  it('is never one that is taken, and stands between the ends of its pattern', () => {
    const taken: string[] = [];
    for (let i = 0; i < 120; i++) taken.push(nextJobNumber('A{yy}##', taken, '2026-11-28'));
    expect(new Set(taken).size).toBe(120);
    expect([taken[0], taken[98], taken[99]]).toEqual(['A2601', 'A2699', 'A26100']);
    const { head, tail } = numberEnds('A{yy}##z', '2026-11-28');
    expect([head, tail]).toEqual(['A26', 'z']);
  });
  it.each([
    ['HB-{yy}', /running number is missing/],
    ['##-{yy}-##', /more than one/],
    ['{week}-##', /“{week}” is unknown/],
    ['{yy-##', /brace has no other/],
    ['##########', /at most 9 digits/],
  ])('cannot be made by %s', (pattern, wrong) => {
    expect(wrongNumberPattern(pattern)).toMatch(wrong);
  });
});
