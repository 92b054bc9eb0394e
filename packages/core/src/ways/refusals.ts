import type { Issue } from '../kernel/index.js';
import type { Refusal } from './way.js';

/** Parameters that tell one reason from another: the press and what it asks, not which sheet fell short of it. */
const REASON: Readonly<Record<string, readonly string[]>> = {
  'press.sheet-too-large': ['machine'],
  'press.sheet-too-small': ['machine'],
  'press.caliper-out-of-range': ['machine'],
  'press.too-few-units': ['machine', 'colours'],
  'press.cannot-perfect': ['machine'],
  'ways.web-apart': ['machine'],
};

/** Collects why candidates fell out, one entry a reason. */
export class RefusalBook {
  private readonly reasons = new Map<string, Refusal>();

  add(issue: Issue): void {
    const told = (REASON[issue.code] ?? []).map((name) => issue.params[name]);
    const key = [issue.code, ...told].join(' ');
    const before = this.reasons.get(key);
    this.reasons.set(key, { issue: before?.issue ?? issue, count: (before?.count ?? 0) + 1 });
  }

  /** Most frequent first. */
  list(): readonly Refusal[] {
    return [...this.reasons.values()].sort((a, b) => b.count - a.count);
  }
}
