import { type Issue, error, unitText } from '../kernel/index.js';
import { fieldAt } from './machine-fields.js';
import type { WorksField } from './works-field.js';

const asList = (value: unknown): readonly unknown[] => (Array.isArray(value) ? (value as unknown[]) : [value]);

/** What is wrong with the value of one field. Issues: `works.field-missing`, `works.field-range`, `works.field-choice`. */
function fieldIssues(of: unknown, field: WorksField): Issue[] {
  const { path, name, kind, min, max, unit = '', choices = [] } = field;
  const value = fieldAt(of, path);
  if (value === undefined || value === '')
    return field.wanted ? [error('works.field-missing', path, { field: name })] : [];
  const range = error('works.field-range', path, { field: name, least: min, most: max, unit: unitText(unit, 2) });
  switch (kind) {
    case 'number':
    case 'whole':
    case 'numbers': {
      const inside = (one: unknown): boolean =>
        typeof one === 'number' && Number.isFinite(one) && one >= min && one <= max;
      const whole = kind !== 'whole' || Number.isInteger(value);
      return asList(value).every(inside) && whole ? [] : [range];
    }
    case 'text':
      return typeof value === 'string' && value.trim().length >= min && value.length <= max
        ? []
        : [error('works.field-missing', path, { field: name })];
    case 'choice':
      return typeof value === 'string' && choices.includes(value)
        ? []
        : [error('works.field-choice', path, { field: name, choices: choices.join(', ') })];
    case 'flag':
      return typeof value === 'boolean'
        ? []
        : [error('works.field-choice', path, { field: name, choices: $localize`yes, no` })];
  }
}

/** What is wrong with the values of some fields, one by one. */
export const fieldsIssues = (of: unknown, fields: readonly WorksField[]): Issue[] =>
  fields.flatMap((field) => fieldIssues(of, field));
