import type { Works } from '../works/index.js';
import { normsOf } from '../norms/index.js';
import { printSteps } from '../edit/index.js';
import type { Component, Step } from '../job/index.js';
import type { FamilyAnswers } from './answers.js';
import { doneHere, pressPrinting } from './house.js';
import { type Made, Lane, PROCESS, dieTools, gsmOf, sheetFor, styleOf } from './lane.js';

const after = (steps: readonly Step[]): { from: { material: string }[] } => ({
  from: [{ material: steps.at(-1)?.id ?? '' }],
});

/** A leaflet or map, folded from its cut piece. */
export function folded(answers: FamilyAnswers, works: Works): Made {
  const component: Component = {
    id: 'leaflet',
    name: $localize`Leaflet`,
    kind: 'sheet',
    widthMm: answers.widthMm,
    heightMm: answers.heightMm,
    grain: 'any',
    stock: answers.stock,
    ...sheetFor(works, answers.stock, answers.press, 'width'),
    press: answers.press,
    workStyle: styleOf(works, answers.press, PROCESS, PROCESS),
    front: PROCESS,
    back: PROCESS,
  };
  const route: Step[] = printSteps(component.id, component.workStyle);
  const add = (step: Omit<Step, 'from'>) => route.push({ ...step, ...after(route) });
  add({ id: 'cut', operation: 'cut', component: component.id });
  if (gsmOf(works, answers.stock) > normsOf(works, {})('fold.scoreOver').value)
    add({ id: 'score', operation: 'score', component: component.id });
  add({ id: 'fold', operation: 'fold', component: component.id, folds: answers.folds });
  if (doneHere(works, 'band')) add({ id: 'band', operation: 'band', perPack: 50 });
  add({ id: 'box', operation: 'box', perPack: 500 });
  return { components: [component], route, finish: { fold: answers.fold ?? 'half' } };
}

/** A flat piece as most families begin: cut from a sheet that is printed on one side or both. */
function flatPiece(answers: FamilyAnswers, works: Works, id: string, name: string, back: Component['back']): Component {
  const workStyle = back.length === 0 ? 'single' : styleOf(works, answers.press, PROCESS, back);
  return {
    id,
    name,
    kind: 'sheet',
    widthMm: answers.widthMm,
    heightMm: answers.heightMm,
    grain: 'any',
    stock: answers.stock,
    ...sheetFor(works, answers.stock, answers.press, 'width'),
    press: answers.press,
    workStyle,
    front: PROCESS,
    back,
  };
}

/** Posters, postcards and cards: printed, coated or filmed, foiled, cut, banded, boxed. */
export function flat(answers: FamilyAnswers, works: Works): Made {
  const piece = flatPiece(answers, works, 'piece', $localize`Piece`, PROCESS);
  const film = answers.cover === 'film';
  const component: Component = { ...piece, ...dieTools(answers) };
  const lane = Lane.printed(component)
    .addIf(answers.cover === 'varnish', 'coat')
    .addIf(film, 'laminate')
    .addIf(answers.foil === true, 'foil')
    .addIf(answers.emboss === true, 'emboss')
    .add('cut')
    .addIf(doneHere(works, 'band'), 'band', { perPack: answers.perPack ?? 50 })
    .add('box', { perPack: 20 * (answers.perPack ?? 50) });
  return { components: [component], route: lane.steps, ...(film ? { finish: { film: 'matt' } } : {}) };
}

/** Numbered documents: both sides at once, screen, recessed plate, inspected, numbered, inspected, cut, counted, sealed. */
export function numbered(answers: FamilyAnswers, works: Works): Made {
  const component: Component = {
    ...flatPiece(answers, works, 'document', $localize`Document`, PROCESS),
    tools: [
      { id: 'numbering', kind: 'numbering-box', name: $localize`Numbering boxes`, start: 1, step: 1, check: true },
    ],
    sheet: { widthMm: 740, heightMm: 520, grain: 'width' },
  };
  const { bought: _bought, ...fits } = component;
  const perPack = answers.perPack ?? 100;
  const lane = Lane.printed(fits)
    .add('overprint', {
      id: 'screen',
      machine: pressPrinting(works, 'screen'),
      note: $localize`Screen colour.`,
      inks: [{ name: $localize`Screen colour`, coverage: 0.06 }],
    })
    .add('dry')
    .add('overprint', {
      id: 'recessed',
      machine: pressPrinting(works, 'recessed', ({ press }) => press?.handLaid !== true),
      note: $localize`Recessed plate, face only.`,
      inks: [{ name: $localize`Recessed ink`, coverage: 0.08 }],
    })
    .add('dry')
    .add('inspect', { note: $localize`Every sheet. Spoils are kept, counted and destroyed under witness.` })
    .add('number')
    .add('inspect', { note: $localize`Every number. A voided one goes into the list and is replaced.` })
    .add('cut', { perLift: 100, note: $localize`Piles of exactly a hundred.` })
    .add('count', { note: $localize`Packs by machine, against the number list.` })
    .add('wrap', { perPack, note: $localize`Sealed.` })
    .add('box', { perPack: 20 * perPack });
  return { components: [fits], route: lane.steps };
}

/** Engraved cards and sheets, or flat print that is powdered and melted; looked at and counted by hand. */
export function stationery(answers: FamilyAnswers, works: Works): Made {
  const powder = answers.raised === 'powder';
  const laid = pressPrinting(works, 'recessed', (machine) => machine.press?.handLaid === true);
  const plate = laid === 'recessed' ? pressPrinting(works, 'recessed') : laid;
  const press = powder ? pressPrinting(works, 'letterpress') : plate;
  const component: Component = {
    ...flatPiece({ ...answers, press }, works, 'card', $localize`Card`, []),
    front: [{ name: 'K', coverage: 0.06 }],
  };
  const begin = printSteps(component.id, 'single').map((step): Step =>
    step.operation === 'print' && !powder ? { ...step, note: $localize`Laid by hand; plate with its counter.` } : step,
  );
  const lane = new Lane(component.id, '', powder ? begin.filter(({ operation }) => operation === 'print') : begin)
    .addIf(powder, 'raise')
    .add('cut')
    .add('inspect', { note: $localize`By hand, against the passed sheet.` })
    .add('count')
    .add('box', { perPack: answers.perPack ?? 50 });
  return { components: [component], route: lane.steps };
}
