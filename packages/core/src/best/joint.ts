import type { Way } from '../ways/index.js';

/** One way of a part, by what it adds to the sum that is sought least. */
export interface Option {
  readonly way: Way;
  /** What it adds, fills of units apart. */
  readonly adds: number;
  /** Units that it fills with ink. */
  readonly fills: readonly string[];
}

/** One way for each part, and what they come to together. */
export interface Joint {
  readonly chosen: readonly Option[];
  readonly sum: number;
}

/** Of ways that fill the same units only the one that adds least can be best; least first. */
function undominated(options: readonly Option[]): Option[] {
  const best = new Map<string, Option>();
  for (const option of options) {
    const key = [...option.fills].sort().join();
    const before = best.get(key);
    if (!before || option.adds < before.adds) best.set(key, option);
  }
  return [...best.values()].sort((a, b) => a.adds - b.adds);
}

/**
 * The ways that together add least, where a unit of a press that several of them fill is filled once: branch and bound,
 * exact. @param filled units that are filled anyway; @param fillCost what one unit more costs.
 * Undefined where a part has no way. Source: literature (branch and bound); identity.
 */
export function leastJoint(
  parts: readonly (readonly Option[])[],
  fillCost: number,
  filled: ReadonlySet<string>,
): Joint | undefined {
  const lists = parts.map(undominated);
  if (lists.some((list) => list.length === 0)) return undefined;
  // Least that the parts from here on add, their fills left out.
  const least = lists.map((_, i) => lists.slice(i).reduce((sum, list) => sum + (list[0]?.adds ?? 0), 0));
  let best: Joint | undefined;
  const chosen: Option[] = [];
  const go = (at: number, sum: number, units: ReadonlySet<string>): void => {
    if (best && sum + (least[at] ?? 0) >= best.sum) return;
    const list = lists[at];
    if (!list) {
      best = { chosen: [...chosen], sum };
      return;
    }
    for (const option of list) {
      const fresh = option.fills.filter((unit) => !units.has(unit));
      chosen.push(option);
      go(at + 1, sum + option.adds + fillCost * fresh.length, fresh.length > 0 ? new Set([...units, ...fresh]) : units);
      chosen.pop();
    }
  };
  go(0, 0, filled);
  return best;
}
