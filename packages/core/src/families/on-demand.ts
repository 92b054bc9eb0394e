import type { Works } from '../works/index.js';
import { normsOf } from '../norms/index.js';
import { printSteps } from '../edit/index.js';
import type { Component } from '../job/index.js';
import type { FamilyAnswers } from './answers.js';
import { gluedCover } from './bound.js';
import { type Made, Lane, joined, sheetFor } from './lane.js';

/** One copy runs by itself: nothing is set up for a run of it, a spoiled one is made again. */
const SINGLE = { setup: 0, running: 0 } as const;

const HOUR_S = 3600;

/** A book printed singly: leaves two-up on cut sheets, its cover apart, matched by code. Source: handbook chapter 2, family 15. */
export function onDemand(answers: FamilyAnswers, works: Works): Made {
  const leaf: Component = {
    id: 'leaf',
    name: $localize`Leaf`,
    kind: 'sheet',
    widthMm: answers.widthMm,
    heightMm: answers.heightMm,
    grain: 'height',
    stock: answers.stock,
    ...sheetFor(works, answers.stock, answers.press, 'width'),
    press: answers.press,
    workStyle: 'perfecting',
    front: [{ name: 'K' }],
    back: [{ name: 'K' }],
  };
  const cover = gluedCover(answers, works);
  const prints = (component: Component, suffix: string): Lane =>
    new Lane(
      component.id,
      suffix,
      printSteps(component.id, component.workStyle)
        .filter(({ operation }) => operation === 'print')
        .map((step) => ({ ...step, setup: 1, running: 0 })),
    );
  const leaves = prints(leaf, '-leaf').add('cut', {
    ...SINGLE,
    note: $localize`Separator code between two copies of the stack.`,
  });
  const covers = prints(cover, '-cover')
    .addIf(answers.cover !== 'none', 'laminate', SINGLE)
    .add('cut', SINGLE)
    .add('score', SINGLE);
  const book = new Lane(undefined)
    .add(
      'kit',
      { ...SINGLE, note: $localize`Codes of cover and block are read and must match.` },
      ...joined([{ end: leaves.end, usage: answers.pages / 2 }, covers]),
    )
    .add('bind', SINGLE)
    .add('cool')
    .add('trim', SINGLE)
    .add('inspect', {
      perHour: Math.round(HOUR_S / normsOf(works, {})('check.seconds').value),
      note: $localize`All six sides.`,
    })
    .add('box', { perPack: 1, note: $localize`Tote, which carries the code of the order.` });
  return {
    components: [leaf, cover],
    route: [...leaves.steps, ...covers.steps, ...book.steps],
    // Single covers are filmed warm: they go on at once.
    finish: { film: 'matt', filmBond: 'thermal' },
  };
}
