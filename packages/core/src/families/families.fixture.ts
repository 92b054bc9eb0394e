import type { AskedFamily, FamilyAnswers } from './answers.js';
import { FAMILY_RULES } from './family-rules.js';

/** The usual answers of a family. */
export const answersOf = (family: AskedFamily): FamilyAnswers => ({
  number: 'HB-1',
  title: family,
  customer: '',
  quantity: 1000,
  widthMm: 148,
  heightMm: 210,
  pages: 16,
  stock: 'silk-115',
  coverStock: 'silk-170',
  press: 'b1-perfector',
  folds: 0,
  die: { kind: 'structure', structure: 'reverse-tuck', depthMm: 130 },
  ...FAMILY_RULES[family].usual,
});
