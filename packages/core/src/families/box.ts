import { chooseDeckle } from '../webs/index.js';
import type { StructureId } from '../diecut/index.js';
import { boundsOf } from '../geometry/index.js';
import type { SheetSize, Works } from '../works/index.js';
import { normsOf } from '../norms/index.js';
import { dieOf, onTheCorrugator, webOf } from '../press-sheet/index.js';
import { printSteps } from '../edit/index.js';
import type { Component, Part } from '../job/index.js';
import type { FamilyAnswers } from './answers.js';
import { boardCutter, cartonGrainOf, doneHere, wantedMachine } from './house.js';
import { type Made, Lane, PROCESS, caliperOf, dieTools, joined, sheetFor } from './lane.js';

/** A carton: printed, die cut, folded and glued. The grain runs as the house has it: around the box where it says nothing. */
export function carton(answers: FamilyAnswers, works: Works): Made {
  const grain = cartonGrainOf(normsOf(works, {}));
  const component: Component = {
    id: 'carton',
    name: $localize`Carton`,
    kind: 'blank',
    ...(answers.die.kind === 'structure' ? { widthMm: answers.widthMm, heightMm: answers.heightMm } : {}),
    die: answers.die,
    grain,
    stock: answers.stock,
    ...sheetFor(works, answers.stock, answers.press, grain),
    press: answers.press,
    workStyle: 'single',
    front: PROCESS,
    back: [],
    ...dieTools(frontOf(answers)),
  };
  const film = answers.cover === 'film';
  const lane = Lane.printed(component)
    .addIf(answers.cover === 'varnish', 'coat')
    .addIf(film, 'laminate')
    .addIf(answers.foil === true, 'foil')
    .addIf(answers.emboss === true, 'emboss')
    .add('die-cut')
    .add('glue')
    .add('box', { perPack: answers.perPack ?? 500 });
  return {
    components: [component],
    route: lane.steps,
    finish: { glueFree: true, ...(film ? { film: 'gloss' } : {}) },
  };
}

/** A blank of a structure; printed, or plain from the cutter. */
function blank(
  answers: FamilyAnswers,
  works: Works,
  id: string,
  name: string,
  structure: StructureId,
  change: Partial<Component> = {},
  depthMm = answers.die.kind === 'structure' ? answers.die.depthMm : 1,
): Component {
  return {
    id,
    name,
    kind: 'blank',
    widthMm: answers.widthMm,
    heightMm: answers.heightMm,
    die: { kind: 'structure', structure, depthMm },
    grain: 'width',
    stock: answers.stock,
    ...sheetFor(works, answers.stock, answers.press, 'width'),
    press: answers.press,
    workStyle: 'single',
    front: PROCESS,
    back: [],
    ...change,
  };
}

/** Plain board goes through the cutter alone. */
const plain = (works: Works, stock: string): Partial<Component> => ({
  press: boardCutter(works),
  stock,
  front: [],
  back: [],
  ...sheetFor(works, stock, boardCutter(works), 'width'),
});

/** A board wallet with a glued tray and an insert. Source: handbook chapter 2, family 7. */
export function wallet(answers: FamilyAnswers, works: Works): Made {
  const film = answers.cover === 'film';
  const outer = blank(answers, works, 'wallet', $localize`Wallet`, 'wallet', dieTools(frontOf(answers)));
  const room = 4;
  const tray = blank(
    {
      ...answers,
      widthMm: answers.widthMm - room,
      heightMm: Math.min(answers.widthMm - room, depthOf(answers) - room),
    },
    works,
    'tray',
    $localize`Tray`,
    'tray',
    plain(works, answers.stock),
    Math.max(1, answers.heightMm - 2),
  );
  // Closed: as wide and high as its panel, as thick as what goes in with board on both sides.
  const closed = { widthMm: answers.widthMm, heightMm: depthOf(answers), thicknessMm: answers.heightMm + 1 };
  const cover = Lane.printed(outer, '-wallet')
    .addIf(answers.cover === 'varnish', 'coat')
    .addIf(film, 'laminate')
    .addIf(answers.emboss === true, 'emboss')
    .add('die-cut');
  const trays = new Lane(tray.id, '-tray').add('die-cut').add('glue');
  const product = new Lane(undefined)
    .add('hand', { id: 'tray-in', note: $localize`Tray glued into the wallet.` }, ...joined([cover, trays]))
    .add(
      'hand',
      { id: 'insert', note: $localize`Insert dropped in, wallet closed.`, leavesMm: closed },
      { material: 'part.insert' },
    )
    .add('wrap')
    .add('box', { perPack: 24 });
  const insert: Part = { id: 'insert', name: $localize`Insert`, widthMm: answers.widthMm - 8, massG: 40, price: 0.35 };
  return {
    components: [outer, tray],
    parts: [insert],
    finish: { glueFree: true, ...(film ? { film: 'matt' } : {}) },
    route: [...cover.steps, ...trays.steps, ...product.steps],
  };
}

/** The panel that foil and relief stand on: as long as the opening, as high as the box. */
const frontOf = (answers: FamilyAnswers): FamilyAnswers => ({
  ...answers,
  heightMm: depthOf(answers) || answers.heightMm,
});

const depthOf = ({ die }: FamilyAnswers): number => (die.kind === 'structure' ? die.depthMm : 0);

/** A printed sheet laminated to corrugated board, die cut, windowed, glued. Source: handbook chapter 2, family 8. */
export function laminatedBox(answers: FamilyAnswers, works: Works): Made {
  const component = blank(answers, works, 'box', $localize`Box`, 'self-locking');
  const { sheet } = component;
  const lane = Lane.printed(component)
    .addIf(doneHere(works, 'coat'), 'coat')
    .add('mount', {}, { material: 'part.board' })
    .add('die-cut')
    .add('window')
    .add('glue')
    .addIf(doneHere(works, 'band'), 'band', { perPack: 20, note: $localize`Bundles.` })
    .add('pallet');
  return {
    components: [component],
    parts: [
      {
        id: 'board',
        name: $localize`Corrugated sheet, E flute`,
        widthMm: sheet.widthMm - 10,
        heightMm: sheet.heightMm - 10,
        caliperUm: 1500,
        massG: ((sheet.widthMm - 10) * (sheet.heightMm - 10) * 380) / 1e6,
        price: 0.32,
      },
    ],
    finish: { windowMm: { widthMm: 90, heightMm: 60 }, glueFree: true },
    route: lane.steps,
  };
}

/** What a die cutter is made for that takes nothing thinner, micrometres. Source: common practice, no source. */
const LEAST_BOARD_UM = 1000;

/** A slotted case from the corrugator: printed, slotted, glued, bundled. Source: handbook chapter 2, family 9. */
export function corrugatedCase(answers: FamilyAnswers, works: Works): Made {
  const component = blank(answers, works, 'case', $localize`Case`, 'slotted-case', {
    front: [{ name: 'K', coverage: 0.08 }],
    grain: 'height',
  });
  const { drawing } = dieOf(component, caliperOf(works, answers.stock), '');
  const box = drawing && boundsOf(drawing.outline);
  const press = works.machines.find(({ id }) => id === answers.press)?.press;
  // Board is cut off and slit to the blank, with what the press holds it by.
  const sheet: SheetSize | undefined =
    box && press
      ? {
          widthMm: Math.ceil(box.right - box.left + 2 * press.sideMm),
          heightMm: Math.ceil(box.top - box.bottom + press.gripperMm + press.tailMm),
          grain: 'height',
        }
      : undefined;
  const { bought: _bought, ...bare } = component;
  const stock = works.stocks.find(({ id }) => id === answers.stock);
  const [web] = sheet
    ? chooseDeckle({
        blankWidthMm: onTheCorrugator(sheet).acrossMm,
        blankLengthMm: onTheCorrugator(sheet).lengthMm,
        edgeTrimMm: normsOf(works, {})('corrugate.edgeTrim').value,
        decklesMm: stock?.flutes ? (stock.rollWidthsMm ?? []) : [],
      })
    : [];
  const bought = web && { kind: 'deckle' as const, widthMm: web.deckleMm };
  const made: Component = sheet ? { ...bare, sheet, ...(bought ? { bought } : {}) } : component;
  // The one that takes the thickest board.
  const slotter = wantedMachine(works, 'die-cutter', ({ takes }) => (takes?.minCaliperUm ?? 0) >= LEAST_BOARD_UM);
  const lane = new Lane(component.id)
    .add('corrugate', { note: $localize`Flute and liners to board, slit, scored, cut off.` })
    .add('print', { id: 'print-case', side: 'front' })
    .add('die-cut', { ...slotter, note: $localize`Slotted and cut in the rotary station.` })
    .add('glue')
    .addIf(doneHere(works, 'band'), 'band', { perPack: answers.perPack ?? 25, note: $localize`Bundles.` })
    .add('pallet');
  return { components: [made], route: lane.steps };
}

/** A packet on the roll and the repeat that it covers best, either way around: one behind another, as many beside each other as the roll takes. */
function packetOnWeb(answers: FamilyAnswers, works: Works): Component {
  const { bought: _bought, grain: _grain, ...packet } = blank(answers, works, 'packet', $localize`Packet`, 'packet');
  const press = works.machines.find(({ id }) => id === answers.press)?.press;
  const { drawing } = dieOf(packet, caliperOf(works, answers.stock), '');
  if (!press || !drawing) return packet;
  const { left, right, bottom, top } = boundsOf(drawing.outline);
  const gapMm = normsOf(works, {})('layout.strippingGap').value;
  const [most, least] = [press.maxSheetMm, press.minSheetMm];
  const rolls = works.stocks.find(({ id }) => id === answers.stock)?.rollWidthsMm ?? [];
  const [width, height] = [right - left, top - bottom];
  const ways = [
    { across: width, along: height },
    { across: height, along: width },
  ].flatMap(({ across, along }) =>
    rolls
      .filter((roll) => roll >= least[0] && roll <= most[0])
      .map((widthMm) => {
        const around = Math.max(1, Math.ceil(least[1] / (along + gapMm)));
        const beside = Math.floor((widthMm - 2 * press.sideMm + gapMm) / (across + gapMm) + 1e-9);
        const heightMm = Math.ceil(around * (along + gapMm));
        return { widthMm, heightMm, used: (around * beside * width * height) / (widthMm * heightMm) };
      })
      .filter(({ heightMm }) => heightMm <= most[1]),
  );
  const [best] = ways.sort((a, b) => b.used - a.used);
  const [widthMm, heightMm] = best ? [best.widthMm, best.heightMm] : most;
  return { ...packet, sheet: { widthMm, heightMm, grain: 'height' } };
}

/** Cut by a high die through a stack, then folded on a machine of its own. */
const packetFromSheets = (component: Component, works: Works): Lane =>
  Lane.printed(component)
    .add('die-cut', {
      ...wantedMachine(works, 'die-cutter', ({ cutsStacks }) => cutsStacks === true),
      note: $localize`Through a stack.`,
    })
    .add('score')
    .add('envelope');

/** Printed, cut, folded and glued by one machine from the roll. */
const packetFromRoll = ({ id, workStyle }: Component): Lane =>
  new Lane(
    id,
    '',
    printSteps(id, workStyle).filter(({ operation }) => operation === 'print'),
  )
    .add('die-cut', { note: $localize`In line, from the roll.` })
    .add('envelope', { note: $localize`In line.` });

/**
 * Packets and envelopes, from sheets or on one machine from the roll: seams and bottom glued, closed by gum dried open or
 * a string. Source: handbook chapter 2, family 10.
 */
export function envelope(answers: FamilyAnswers, works: Works): Made {
  const onWeb = works.machines.some((machine) => machine.id === answers.press && webOf(machine));
  const component = onWeb ? packetOnWeb(answers, works) : blank(answers, works, 'packet', $localize`Packet`, 'packet');
  const perPack = answers.perPack ?? 500;
  const string = answers.closure === 'string';
  const lane = onWeb ? packetFromRoll(component) : packetFromSheets(component, works);
  if (string)
    lane
      .add('rivet', { note: $localize`On the back and on the flap.` }, { material: 'part.button', usage: 2 })
      .add('count', { ...wantedMachine(works, 'hand', () => true), note: $localize`Stood upright.` });
  else lane.add('gum').add('count', { note: $localize`Stood upright.` });
  lane.add('box', { perPack });
  const parts: readonly Part[] = [{ id: 'button', name: $localize`Button with rivet`, massG: 0.4, price: 0.02 }];
  return { components: [component], route: lane.steps, ...(string ? { parts } : {}) };
}
