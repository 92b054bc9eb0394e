import { type Issue, error } from '../kernel/index.js';
import { Groups, firstAnswer } from './first-answer.js';
import { type GangAnswer, type GangForm, type GangPattern, type GangRequest, gangCost } from './gang.js';
import { gangModel } from './model.js';
import { canHold, packShelves } from './shelf.js';

/** Solves a mixed-integer program in LP format; values by variable name, undefined where it found none. */
export type Solve = (lp: string) => Promise<Readonly<Record<string, number>> | undefined>;

/** Patterns given to the solver at once. More are slower to prove and seldom better. Source: measured. */
const MOST_PATTERNS = 160;
/** Where fewer fillings than this exist at all, every one of them is given: then the answer is exact. */
const MOST_FILLINGS = 4000;

/** What is wrong with a gang. Issues: `gang.no-items`, `gang.item-too-large`, `gang.quantity`, `gang.forms`. */
export function checkGang(request: GangRequest, path: string): Issue[] {
  if (request.items.length === 0) return [error('gang.no-items', `${path}.items`)];
  const issues: Issue[] = [];
  if (!Number.isInteger(request.mostForms) || request.mostForms < 1)
    issues.push(error('gang.forms', `${path}.mostForms`, { value: request.mostForms }));
  request.items.forEach((item, i) => {
    if (!Number.isInteger(item.quantity) || item.quantity < 1)
      issues.push(error('gang.quantity', `${path}.items[${i}].quantity`, { item: item.id, value: item.quantity }));
    const { id, widthMm: width, heightMm: height } = item;
    if (!(width > 0) || !(height > 0) || !canHold(request, i)) {
      const params = { item: id, width, height, usableWidth: request.widthMm, usableHeight: request.heightMm };
      issues.push(error('gang.item-too-large', `${path}.items[${i}]`, params));
    }
  });
  return issues;
}

/** Every filling of a form to which nothing more can be added; undefined where there are too many. */
function allFillings(request: GangRequest): GangPattern[] | undefined {
  const found: GangPattern[] = [];
  let tried = 0;
  const counts = request.items.map(() => 0);
  const extend = (from: number): boolean => {
    tried += 1;
    if (tried > MOST_FILLINGS) return false;
    let maximal = true;
    for (let i = 0; i < counts.length; i++) {
      counts[i] = (counts[i] ?? 0) + 1;
      const fits = packShelves(request, [...counts]) !== undefined;
      if (fits) maximal = false;
      const goOn = !fits || i < from || extend(i);
      counts[i] = (counts[i] ?? 0) - 1;
      if (!goOn) return false;
    }
    if (maximal) {
      const pattern = packShelves(request, [...counts]);
      if (pattern) found.push(pattern);
    }
    return true;
  };
  return extend(0) ? found : undefined;
}

/** No answer costs less: one form at least, and sheets enough for the area of all pieces. Source: identity. */
export function gangBound({ items, widthMm, heightMm, formCost, sheetCost }: GangRequest): number {
  const area = items.reduce((sum, item) => sum + item.quantity * item.widthMm * item.heightMm, 0);
  return formCost + Math.ceil(area / (widthMm * heightMm) - 1e-9) * sheetCost;
}

/** Each item on a form of its own. */
const aloneCost = (groups: Groups): number =>
  gangCost(
    groups.request,
    groups.request.items.flatMap((_, i) => groups.form([i]) ?? []),
  );

function answerOf(groups: Groups, forms: readonly GangForm[]): GangAnswer {
  const { request } = groups;
  const made = request.items.map((_, i) => forms.reduce((sum, form) => sum + (form.counts[i] ?? 0) * form.sheets, 0));
  const [cost, bound] = [gangCost(request, forms), gangBound(request)];
  return {
    forms,
    cost,
    sheets: forms.reduce((sum, { sheets }) => sum + sheets, 0),
    overruns: made.map((n, i) => n - (request.items[i]?.quantity ?? 0)),
    bound,
    gap: cost / bound - 1,
    alone: aloneCost(groups),
  };
}

/** Adds forms for groups that differ from the answer's by one item moved or added. */
function vary(groups: Groups, forms: readonly GangForm[]): void {
  const members = forms.map(({ counts }) => counts.flatMap((n, i) => (n > 0 ? [i] : [])));
  members.forEach((own, a) => {
    members.forEach((others, b) => {
      if (a === b) return;
      for (const item of own) {
        if (groups.patterns.length >= MOST_PATTERNS) return;
        groups.form([...others, item].filter((x, i, all) => all.indexOf(x) === i).sort((x, y) => x - y));
        if (own.length > 1) groups.form(own.filter((x) => x !== item));
      }
    });
  });
}

/** Each filling once. */
const unique = (patterns: readonly GangPattern[]): GangPattern[] => [
  ...new Map(patterns.map((pattern) => [pattern.counts.join(' '), pattern])).values(),
];

/**
 * Shared sheets for several items at least cost of forms and sheets, every quantity met: a first answer at once, then
 * better ones as a solver chooses among the patterns found. Where few fillings exist at all, all of them are given and
 * the answer is exact among shelf patterns; else it is the best found, with the bound beside it.
 * @param solve a mixed-integer solver; @param told each better answer as it comes.
 * Issues: `gang.*`. Source: handbook chapter 4 "Gang sheets".
 */
export async function planGang(
  request: GangRequest,
  solve: Solve,
  told: (answer: GangAnswer) => void = () => undefined,
): Promise<{ answer?: GangAnswer; issues: Issue[] }> {
  const issues = checkGang(request, 'gang');
  if (issues.length > 0) return { issues };
  const groups = new Groups(request);
  const first = firstAnswer(groups);
  let answer = first && answerOf(groups, first);
  if (answer) told(answer);
  const fillings = allFillings(request);
  for (;;) {
    if (answer && !fillings) vary(groups, answer.forms);
    const patterns = fillings ?? unique(groups.patterns).slice(0, MOST_PATTERNS);
    const values = await solve(gangModel(request, patterns));
    const forms = patterns.flatMap((pattern, p): GangForm[] => {
      const sheets = Math.round(values?.[`x${p}`] ?? 0);
      return sheets > 0 ? [{ ...pattern, sheets }] : [];
    });
    const next = values && forms.length > 0 ? answerOf(groups, forms) : undefined;
    const better =
      next !== undefined && next.overruns.every((n) => n >= 0) && (!answer || next.cost < answer.cost - 1e-9);
    if (better) {
      answer = next;
      told(answer);
    }
    if (fillings || !better) break;
  }
  if (!answer) {
    return {
      issues: [
        error('gang.too-few-forms', 'gang.mostForms', { items: request.items.length, forms: request.mostForms }),
      ],
    };
  }
  return { answer, issues: [] };
}
