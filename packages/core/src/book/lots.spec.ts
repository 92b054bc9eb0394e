import { normsOf, samplingRules } from '../norms/index.js';
import { SAMPLING_TABLE } from '../quality/index.js';
import { SHIPPED_WORKS } from '../works/index.js';
import type { BalancedStep } from './balance.js';
import { refuseEntry } from './entry-gate.js';
import type { StationEntry } from './entry.js';
import { lotsOf, nextPlan } from './lots.js';
import { Tally } from './tally.js';

const step = 'count';
const station: BalancedStep = {
  id: step,
  name: 'Count',
  yield: 1,
  processUnits: 9_000,
  takes: [{ material: 'tickets', usage: 1 }],
};
const rules = { aql: 2.5, level: 'II', table: SAMPLING_TABLE } as const;
const looked = (faulty: number, change: object = {}): StationEntry => ({
  ...{ kind: 'inspected', step, lot: 1_000, sample: 80, faulty, aql: 2.5, level: 'II' },
  ...change,
});
/** Enters what the gate lets in; codes of what it does not. */
function entered(...entries: readonly StationEntry[]): { readonly tally: Tally; readonly codes: string[] } {
  const tally = new Tally();
  const codes = entries.flatMap((entry, i) => {
    const refused = refuseEntry(entry, station, tally, rules).map(({ code, path }) => `${code} ${path}`);
    if (refused.length === 0) tally.add(entry, new Date(Date.UTC(2026, 0, 1, 8, i)).toISOString());
    return refused;
  });
  return { tally, codes };
}

describe('lots of a station', () => {
  it('are taken with the sample of their plan alone, and no more faulty ones than it has', () => {
    expect(entered(looked(0, { sample: 50 })).codes).toEqual(['quality.sample sample']);
    expect(entered(looked(81)).codes).toEqual(['quality.faulty faulty']);
    expect(entered(looked(0, { lot: 1, sample: 1 })).codes).toEqual(['quality.lot lot']);
    expect(entered(looked(0, { aql: 3 })).codes).toEqual(['quality.aql aql']);
    expect(entered(looked(5)).codes).toEqual([]);
  });

  it('that were refused are sorted before the station is closed', () => {
    const { tally, codes } = entered(
      looked(6),
      { kind: 'step-closed', step },
      { kind: 'sorted', step, faulty: 31 },
      {
        kind: 'sorted',
        step,
        faulty: 1,
      },
    );
    expect(codes).toEqual(['quality.unsorted step', 'quality.nothing-to-sort kind']);
    expect(lotsOf(tally, rules).unsorted).toBe(0);
    expect(refuseEntry({ kind: 'step-closed', step }, station, tally, rules)).toEqual([]);
  });

  it('are looked at more strictly after two refused, and not at all after five, until the cause is mended', () => {
    const { tally } = entered(looked(6), looked(6));
    const plan = nextPlan(tally, rules, 1_000);
    expect(plan.ok && plan.value).toMatchObject({ severity: 'tightened', n: 80, accept: 3 });
    const stopped = entered(...Array.from({ length: 7 }, () => looked(6)), looked(0));
    expect(stopped.codes).toEqual(['quality.stopped mended']);
    expect(refuseEntry(looked(0, { mended: true }), station, stopped.tally, rules)).toEqual([]);
  });

  it('are looked at by the limit, level and tables of the works', () => {
    const norms = { 'sample.aql': 13, 'sample.level': 0, 'sample.accept.normal.4': 6 };
    const own = samplingRules(normsOf(SHIPPED_WORKS, norms));
    expect(own).toMatchObject({ aql: 4, level: 'I' });
    expect(own.table.accepts.normal[3]).toBe(6);
    expect(samplingRules(normsOf(SHIPPED_WORKS, {}))).toEqual({ aql: 1, level: 'II', table: SAMPLING_TABLE });
  });
});
