import { type Issue, error } from '../kernel/index.js';
import {
  type AskedFamily,
  type FamilyAnswers,
  type Question,
  FAMILY_RULES,
  checkProduct,
  makeJob,
  pressesFor,
} from '../families/index.js';
import type { Job } from '../job/index.js';
import { type Finding, type Mended, mendAll } from '../rules/index.js';
import { OPERATION_RULES } from '../route/index.js';
import type { Works } from '../works/index.js';

/** A job as it begins, and what still stands against it; nothing does unless the product cannot be made as it is asked for. */
export interface Start {
  readonly job: Job;
  readonly issues: readonly Issue[];
}

const faults = ({ broken, findings }: Mended): number =>
  100 * broken.length + findings.reduce((sum, { weight }) => sum + (weight === 'hard' ? 10 : 1), 0);

/** What a question is about that a rule was broken by. */
const ASKED: Partial<Readonly<Record<string, Question>>> = {
  'machine-size': 'size',
  'machine-caliper': 'stock',
  'machine-mass': 'pages',
  'machine-stations': 'pages',
  'machine-folds': 'pages',
  'least-spine': 'pages',
  'saddle-thickness': 'pages',
  'hand-lift': 'size',
};

function ruleIssue({ rule, name, reason, value, limit, unit = '', step }: Finding, job: Job): Issue {
  if (rule === 'machine-there') {
    const operation = job.route.find(({ id }) => id === step)?.operation;
    return error('start.no-machine', 'press', { operation: operation ? OPERATION_RULES[operation].name : step });
  }
  const values =
    value === undefined || limit === undefined ? '' : $localize` (${value} ${unit}, limit ${limit} ${unit})`;
  // A flat piece is asked how it is folded, a book how many pages it has.
  const asked = rule === 'machine-folds' && job.finish?.fold ? 'fold' : (ASKED[rule] ?? 'stock');
  return error('start.rule', asked, { rule: `${name}${values}`, reason });
}

/**
 * A new job of a family from its few questions that breaks no rule at birth: where the press asked for, its sheet or a
 * machine does not do, another of the works is taken. Where none does, the issues say why.
 * Issues: those of the product, of planning it, `start.no-machine` and `start.rule`. Source: handbook chapter 2.
 */
export function startJob(family: AskedFamily, answers: FamilyAnswers, works: Works): Start {
  const impossible = checkProduct(family, answers, works);
  const presses = [
    answers.press,
    ...pressesFor(FAMILY_RULES[family].press, works)
      .map(({ id }) => id)
      .filter((id) => id !== answers.press),
  ];
  if (impossible.length > 0) return { job: makeJob(family, answers, works), issues: impossible };
  let best: Mended | undefined;
  for (const press of presses) {
    const tried = mendAll(makeJob(family, { ...answers, press }, works), works);
    if (!best || faults(tried) < faults(best)) best = tried;
    if (faults(best) === 0) break;
  }
  const found: Mended = best ?? { job: makeJob(family, answers, works), broken: [], findings: [] };
  return {
    job: found.job,
    issues: [...found.broken, ...found.findings.map((finding) => ruleIssue(finding, found.job))],
  };
}

/** The job that {@link startJob} begins. */
export const newJob = (family: AskedFamily, answers: FamilyAnswers, works: Works): Job =>
  startJob(family, answers, works).job;

/** What stands against a product as it is asked for. */
export const checkAnswers = (family: AskedFamily, answers: FamilyAnswers, works: Works): readonly Issue[] =>
  startJob(family, answers, works).issues;
