import { setTimeout as wait } from 'node:timers/promises';
import { inTurn } from './in-turn.js';

describe('things of one job', () => {
  it('are done one after another in their order, those of another job beside them, whatever fails', async () => {
    const told: string[] = [];
    const thing =
      (name: string, ms: number, fails = false) =>
      async (): Promise<string> => {
        told.push(`${name} begins`);
        await wait(ms);
        told.push(`${name} ends`);
        if (fails) throw new Error(name);
        return name;
      };
    const [a, b, c, other] = [
      inTurn(1, thing('a', 30)),
      inTurn(1, thing('b', 1, true)),
      inTurn(1, thing('c', 1)),
      inTurn(2, thing('other', 1)),
    ];
    await expect(b).rejects.toThrow('b');
    expect([await a, await c, await other]).toEqual(['a', 'c', 'other']);
    expect(told.filter((line) => !line.startsWith('other'))).toEqual([
      'a begins',
      'a ends',
      'b begins',
      'b ends',
      'c begins',
      'c ends',
    ]);
    expect(told.indexOf('other ends')).toBeLessThan(told.indexOf('a ends'));
    // Nothing is left behind: what comes later begins at once.
    const later = inTurn(1, thing('d', 0));
    expect(told.at(-1)).toBe('d begins');
    await later;
  });
});
