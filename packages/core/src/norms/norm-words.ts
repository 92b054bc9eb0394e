import { numberText, unitText, wordOf } from '../kernel/index.js';
import { type Norm, ABOVE_ZERO } from './norm.js';

const PER_CENT = 100;

/** A norm's value as people read it: shares as per cent, thousands apart. */
function valueInWords({ unit, choices }: Norm, value: number): string {
  if (choices) return wordOf(choices[value] ?? String(value));
  const shown = unit === 'share' ? Number((value * PER_CENT).toPrecision(12)) : value;
  return numberText(shown, 6);
}
const unitInWords = ({ unit }: Norm, value: number): string => (unit === 'share' ? '%' : unitText(unit, value));

/** A norm's value with its unit, e.g. `1.5 %`. */
export const normInWords = (norm: Norm, value: number): string =>
  `${valueInWords(norm, value)} ${unitInWords(norm, value)}`.trim();

/** The limits of a norm, e.g. `from 0 to below 100 %` or `above 0 to 1,000,000 sheets/h`. */
export function limitsInWords(norm: Norm): string {
  if (norm.choices) return norm.choices.map(wordOf).join($localize` or `);
  const from = norm.min === ABOVE_ZERO ? $localize`above 0` : $localize`from ${valueInWords(norm, norm.min)}`;
  return `${from} ${norm.below ? $localize`to below` : $localize`to`} ${normInWords(norm, norm.max)}${norm.whole ? $localize`, whole` : ''}`;
}
