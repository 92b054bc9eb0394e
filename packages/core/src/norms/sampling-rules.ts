import { table } from '../kernel/index.js';
import {
  type Level,
  type SamplingTable,
  type Severity,
  AQLS,
  LETTERS,
  LEVELS,
  SAMPLING_TABLE,
  SEVERITIES,
} from '../quality/index.js';
import type { NormLookup } from './resolve.js';

/** Severities that have sizes of their own: tightened inspection has those of normal. */
const sizesOf = (severity: Severity): Severity => (severity === 'tightened' ? 'normal' : severity);

/** What lots are looked at by, out of the norms. */
export function samplingRules(norms: NormLookup): {
  readonly aql: number;
  readonly level: Level;
  readonly table: SamplingTable;
} {
  const value = (id: string): number => norms(id).value;
  const by = (of: (severity: Severity) => readonly number[]): Record<Severity, readonly number[]> =>
    table(SEVERITIES.map((severity) => [severity, of(severity)]));
  return {
    aql: AQLS[value('sample.aql')] ?? 1,
    level: LEVELS[value('sample.level')] ?? 'II',
    table: {
      sizes: by((severity) => LETTERS.map((letter) => value(`sample.size.${sizesOf(severity)}.${letter}`))),
      accepts: by((severity) =>
        SAMPLING_TABLE.accepts[severity].map((_, i) => value(`sample.accept.${severity}.${i + 1}`)),
      ),
    },
  };
}
