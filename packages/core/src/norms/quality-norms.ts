import type { Source } from '../kernel/index.js';
import { AQLS, LETTERS, LEVELS, SAMPLING_TABLE, SEVERITIES } from '../quality/index.js';
import type { Norm } from './norm.js';
import { MOST_UNITS, UNSOURCED } from './shipped-norms.js';

/** Source: memory; check against your own copy of the standard. */
const STANDARD: Source = { label: 'memory', note: 'ISO 2859-1:1999, check against your copy' };

/** Source: handbook chapter 7 "Guillotine". */
const PILES: Source = { label: 'practice', note: 'accountable work: piles of exactly 100' };

const quality = (id: string, subject: string, name: string, unit: string, value: number, max: number): Norm => ({
  ...{ id, group: 'quality', subject, name, unit, value, min: 0, max, source: UNSOURCED },
});
const choice = (id: string, name: string, choices: readonly string[], value: number): Norm => ({
  ...quality(id, 'Sampling', name, '', value, choices.length - 1),
  whole: true,
  choices,
});

/** Norms of quality: limits of readings, and the tables that lots are sampled by. */
export const QUALITY_NORMS: readonly Norm[] = [
  quality('quality.density', 'Readings', 'Density, off its aim', 'D', 0.1, 3),
  quality('quality.colour', 'Readings', 'Colour difference', 'ΔE00', 5, 100),
  {
    ...quality('account.pile', 'Accountable work', 'Pieces of a pile', 'pieces', 100, MOST_UNITS),
    ...{ min: 1, whole: true, source: PILES },
  },
  choice(
    'sample.aql',
    'Acceptance quality limit',
    AQLS.map((aql) => `${aql} %`),
    AQLS.indexOf(1),
  ),
  choice('sample.level', 'Inspection level', LEVELS, LEVELS.indexOf('II')),
  ...(['normal', 'reduced'] as const).flatMap((severity) =>
    LETTERS.map((letter, i): Norm => ({
      ...quality(
        `sample.size.${severity}.${letter}`,
        severity === 'normal' ? 'Samples, normal and tightened' : 'Samples, reduced',
        `Letter ${letter}`,
        'pieces',
        SAMPLING_TABLE.sizes[severity][i] ?? 0,
        MOST_UNITS,
      ),
      ...{ min: 1, whole: true, source: STANDARD },
    })),
  ),
  ...SEVERITIES.flatMap((severity) =>
    SAMPLING_TABLE.accepts[severity].map((accept, i): Norm => ({
      ...quality(
        `sample.accept.${severity}.${i + 1}`,
        `Accepted, ${severity} inspection`,
        `Diagonal ${i + 1} behind that of 0`,
        'faulty',
        accept,
        1_000,
      ),
      ...{ whole: true, source: STANDARD },
    })),
  ),
];
