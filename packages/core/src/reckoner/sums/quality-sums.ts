import { type CheckSystem, CHECK_SYSTEMS, checkCharacters } from '../../finishing/index.js';
import { error } from '../../kernel/index.js';
import { AQLS, LEVELS, type Level, SEVERITIES, type Severity, passChance, samplingPlan } from '../../quality/index.js';
import { type Sum, choiceField, numberField, textField } from '../sum.js';

const STANDARD = { label: 'memory', note: $localize`ISO 2859-1:1999, check against your copy` } as const;

/** Longest number list that is told. */
const MOST_NUMBERS = 20;
const MOST_DIGITS = 30;

/** What is looked at, numbers and their check characters. */
export const QUALITY_SUMS: readonly Sum[] = [
  {
    ...{
      id: 'sampling',
      group: 'quality',
      name: $localize`Sampling plan`,
      words: ['sample', 'sampling', 'aql', 'lot'],
    },
    fields: [
      numberField('lot', $localize`Pieces in the lot`, '', undefined, { min: 2, max: 100_000_000, whole: true }),
      choiceField('aql', $localize`Acceptance limit, %`, AQLS.map(String), '1'),
      choiceField('level', $localize`Level`, LEVELS, 'II'),
      choiceField('severity', $localize`Inspection`, SEVERITIES, 'normal'),
    ],
    reckon(book) {
      const plan = samplingPlan({
        ...{ lot: book.number('lot'), aql: Number(book.text('aql')) },
        ...{ level: book.text('level') as Level, severity: book.text('severity') as Severity },
      });
      if (!plan.ok) {
        book.refuse(...plan.issues);
        return;
      }
      const { n, accept, reject, planLetter } = plan.value;
      book.tell($localize`Letter`, planLetter);
      book.showKnown('n', $localize`Look at`, n, 'pieces', STANDARD);
      book.showKnown('accept', $localize`Accepted with up to`, accept, 'faulty', STANDARD);
      book.showKnown('reject', $localize`Refused from`, reject, 'faulty', STANDARD);
      const share = Number(book.text('aql')) / 100;
      book.showKnown(
        'pass',
        $localize`Passes at the limit`,
        passChance({ lot: book.number('lot'), n, accept }, share),
        'share',
        {
          ...{ label: 'identity', note: $localize`binomial, hypergeometric of small lots` },
        },
      );
    },
  },
  {
    ...{ id: 'check-character', group: 'quality', name: $localize`Check characters`, words: ['check', 'mod', 'digit'] },
    fields: [
      textField('digits', $localize`Digits`),
      choiceField(
        'system',
        $localize`System`,
        CHECK_SYSTEMS.filter((one) => one !== 'none'),
      ),
    ],
    reckon(book) {
      const digits = book.text('digits').replace(/\s/g, '');
      if (!/^\d{1,30}$/.test(digits)) {
        book.refuse(error('sum.digits', 'digits', { value: digits, most: MOST_DIGITS }));
        return;
      }
      const check = checkCharacters(digits, book.text('system') as CheckSystem);
      book.tell($localize`Check characters`, check);
      book.tell($localize`Whole`, `${digits}${check}`);
    },
  },
  {
    ...{
      id: 'number-list',
      group: 'quality',
      name: $localize`List of numbers`,
      words: ['numbers', 'numbering', 'serial'],
    },
    fields: [
      numberField('first', $localize`First number`, '', 1, { max: 999_999_999, whole: true }),
      numberField('count', $localize`How many`, '', undefined, { min: 1, max: 100_000_000, whole: true }),
      numberField('step', $localize`One to the next`, '', 1, { min: 1, max: 1_000_000, whole: true }),
      numberField('digits', $localize`Digits`, '', 6, { min: 1, max: 15, whole: true }),
      choiceField('system', $localize`Check`, CHECK_SYSTEMS),
    ],
    reckon(book) {
      const [first, count, step, digits] = ['first', 'count', 'step', 'digits'].map((id) => book.number(id)) as [
        number,
        number,
        number,
        number,
      ];
      const last = book.show('last', $localize`Last number`, '', 'first + (count - 1) * step', {
        ...{ first: 'first', count: 'count', step: 'step' },
      });
      if (String(last).length > digits) {
        book.refuse(error('sum.too-few-digits', 'digits', { last, digits }));
        return;
      }
      const system = book.text('system') as CheckSystem;
      const printed = (n: number): string => {
        const text = String(n).padStart(digits, '0');
        return `${text}${checkCharacters(text, system)}`;
      };
      const shown = Array.from({ length: Math.min(count, MOST_NUMBERS) }, (_, i) => printed(first + i * step));
      book.tell($localize`Printed`, `${shown.join(', ')}${count > MOST_NUMBERS ? `, … ${printed(last)}` : ''}`);
    },
  },
];
