import { type Issue, error } from '../kernel/index.js';
import type { Component, LockedChoice } from '../job/index.js';
import type { Works } from '../works/index.js';
import type { Way } from '../ways/index.js';

/** Whether a way leaves a choice as the component has it. */
const KEEPS: Readonly<Record<LockedChoice, (way: Way, now: Component) => boolean>> = {
  press: (way, now) => way.press === now.press,
  stock: (way, now) => way.stock === now.stock,
  sheet: ({ sheet }, now) =>
    sheet.widthMm === now.sheet.widthMm && sheet.heightMm === now.sheet.heightMm && sheet.grain === now.sheet.grain,
  workStyle: (way, now) => way.workStyle === now.workStyle,
  sections: ({ sections, shared }, now) => sections === undefined && (shared === true) === (now.on !== undefined),
};

/** The ways that keep every lock of the component that they run. */
export const keepLocks = (ways: readonly Way[], now: Component): readonly Way[] =>
  ways.filter((way) => (now.locked ?? []).every((lock) => KEEPS[lock](way, now)));

const valueOf = (now: Component, lock: LockedChoice, works: Works): string => {
  const named = (things: readonly { readonly id: string; readonly name: string }[], id: string): string =>
    things.find((one) => one.id === id)?.name ?? id;
  switch (lock) {
    case 'press':
      return named(works.machines, now.press);
    case 'stock':
      return named(works.stocks, now.stock);
    case 'sheet':
      return `${now.sheet.widthMm} x ${now.sheet.heightMm} mm`;
    case 'workStyle':
      return now.workStyle;
    case 'sections':
      return 'as they are';
  }
};

/**
 * Why locks leave nothing: for each lock what it says, how many ways it excludes, and how many would be left without it.
 * Issues: `best.lock`, at the component.
 */
export function lockIssues(ways: readonly Way[], now: Component, works: Works): Issue[] {
  return (now.locked ?? []).map((lock) => {
    const others = { ...now, locked: (now.locked ?? []).filter((one) => one !== lock) };
    return error('best.lock', `components.${now.id}`, {
      component: now.name,
      lock,
      value: valueOf(now, lock, works),
      excluded: ways.filter((way) => !KEEPS[lock](way, now)).length,
      ways: ways.length,
      left: keepLocks(ways, others).length,
    });
  });
}
