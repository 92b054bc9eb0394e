import { jest } from '@jest/globals';
import { ShortMemory } from './short-memory.js';

describe('a short memory', () => {
  const at = (ms: number): void => void jest.spyOn(Date, 'now').mockReturnValue(ms);
  afterEach(() => jest.restoreAllMocks());

  it('keeps what it was told until its time is over, asked or not', () => {
    const memory = new ShortMemory<string>(100);
    at(1_000);
    memory.set('a', 'one');
    at(1_099);
    expect(memory.get('a')).toBe('one');
    at(1_100);
    expect(memory.get('a')).toBeUndefined();
  });

  it('forgets what it is told to, and what is too much', () => {
    const memory = new ShortMemory<string>(100, 2);
    at(0);
    memory.set('a', 'one');
    memory.set('b', 'two');
    memory.forget('a');
    expect([memory.get('a'), memory.get('b')]).toEqual([undefined, 'two']);
    memory.set('c', 'three');
    memory.set('d', 'four');
    expect([memory.get('b'), memory.get('c'), memory.get('d')]).toEqual([undefined, undefined, 'four']);
    memory.clear();
    expect(memory.get('d')).toBeUndefined();
  });

  it('of no time keeps nothing', () => {
    const memory = new ShortMemory<string>(0);
    memory.set('a', 'one');
    expect(memory.get('a')).toBeUndefined();
  });
});
