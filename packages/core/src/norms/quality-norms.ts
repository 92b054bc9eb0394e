import type { Source } from '../kernel/index.js';
import { AQLS, LETTERS, LEVELS, SAMPLING_TABLE, SEVERITIES } from '../quality/index.js';
import type { Norm } from './norm.js';
import { MOST_UNITS, UNSOURCED } from './shipped-norms.js';

/** Source: memory; check against your own copy of the standard. */
const STANDARD: Source = { label: 'memory', note: $localize`ISO 2859-1:1999, check against your copy` };

/** Source: handbook chapter 7 "Guillotine". */
const PILES: Source = { label: 'practice', note: $localize`accountable work: piles of exactly 100` };

const quality = (id: string, subject: string, name: string, unit: string, value: number, max: number): Norm => ({
  ...{ id, group: 'quality', subject, name, unit, value, min: 0, max, source: UNSOURCED },
});
const choice = (id: string, name: string, choices: readonly string[], value: number): Norm => ({
  ...quality(id, $localize`Sampling`, name, '', value, choices.length - 1),
  whole: true,
  choices,
});

/** Norms of quality: limits of readings, and the tables that lots are sampled by. */
export const QUALITY_NORMS: readonly Norm[] = [
  quality('quality.density', $localize`Readings`, $localize`Density, off its aim`, 'D', 0.1, 3),
  quality('quality.colour', $localize`Readings`, $localize`Colour difference`, 'ΔE00', 5, 100),
  {
    ...quality('account.pile', $localize`Accountable work`, $localize`Pieces of a pile`, 'pieces', 100, MOST_UNITS),
    ...{ min: 1, whole: true, source: PILES },
  },
  choice(
    'sample.aql',
    $localize`Acceptance quality limit`,
    AQLS.map((aql) => `${aql} %`),
    AQLS.indexOf(1),
  ),
  choice('sample.level', $localize`Inspection level`, LEVELS, LEVELS.indexOf('II')),
  ...(['normal', 'reduced'] as const).flatMap((severity) =>
    LETTERS.map((letter, i): Norm => ({
      ...quality(
        `sample.size.${severity}.${letter}`,
        severity === 'normal' ? $localize`Samples, normal and tightened` : $localize`Samples, reduced`,
        $localize`Letter ${letter}`,
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
        $localize`Accepted, ${severity} inspection`,
        $localize`Diagonal ${i + 1} behind that of 0`,
        'faulty',
        accept,
        1_000,
      ),
      ...{ whole: true, source: STANDARD },
    })),
  ),
];
