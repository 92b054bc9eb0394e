import { type GangForm, type GangPattern, type GangRequest, gangCost } from './gang.js';
import { leastSheets, sheetsFor } from './shelf.js';

/** Remembers the best form for a group of items, since groups come up again and again. */
export class Groups {
  private readonly known = new Map<string, GangForm | undefined>();
  /** Every form found so far, for the solver to choose among. */
  readonly patterns: GangPattern[] = [];

  constructor(readonly request: GangRequest) {}

  form(members: readonly number[]): GangForm | undefined {
    const key = members.join(' ');
    if (this.known.has(key)) return this.known.get(key);
    const pattern = leastSheets(this.request, members);
    const form = pattern && { ...pattern, sheets: sheetsFor(this.request, pattern.counts, members) };
    if (pattern) this.patterns.push(pattern);
    this.known.set(key, form);
    return form;
  }
}

/**
 * A first answer in a blink: items in the order of their quantities, cut into at most so many groups where that costs
 * least, each group on a form of its own (dynamic programming over the cuts).
 * Undefined where the items do not fit on the forms that are allowed.
 */
export function firstAnswer(groups: Groups): readonly GangForm[] | undefined {
  const { request } = groups;
  const order = request.items
    .map((_, i) => i)
    .sort((a, b) => (request.items[b]?.quantity ?? 0) - (request.items[a]?.quantity ?? 0));
  interface Best {
    readonly cost: number;
    readonly forms: readonly GangForm[];
  }
  let best: (Best | undefined)[] = order.map(() => undefined);
  const start: Best = { cost: 0, forms: [] };
  let answer: Best | undefined;
  let before: (Best | undefined)[] = [start, ...order.map(() => undefined)];
  for (let k = 0; k < request.mostForms; k++) {
    const next: (Best | undefined)[] = [undefined, ...best];
    for (let end = 1; end <= order.length; end++) {
      let found: Best | undefined;
      for (let from = 0; from < end; from++) {
        const head = before[from];
        if (!head) continue;
        const form = groups.form(order.slice(from, end).sort((a, b) => a - b));
        if (!form) continue;
        const cost = head.cost + gangCost(request, [form]);
        if (!found || cost < found.cost) found = { cost, forms: [...head.forms, form] };
      }
      next[end] = found;
    }
    const whole = next[order.length];
    if (whole && (!answer || whole.cost < answer.cost)) answer = whole;
    before = next;
    best = next.slice(1);
  }
  return answer?.forms;
}
