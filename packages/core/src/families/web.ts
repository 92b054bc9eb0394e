import { chooseRepeat } from '../webs/index.js';
import type { PressLimits, SheetSize, Works } from '../works/index.js';
import { normsOf } from '../norms/index.js';
import { printSteps } from '../edit/index.js';
import type { Component } from '../job/index.js';
import type { FamilyAnswers } from './answers.js';
import { type Made, Lane, PROCESS } from './lane.js';

/**
 * What a web prints at one turn: the widest roll of the stock that the press takes by its cut-off, or the roll and the
 * cylinder of the store that take least web for a thousand pieces. Nothing that fits: the press's own most, for the plan
 * to say why.
 */
function repeatFor(works: Works, answers: FamilyAnswers): SheetSize {
  const press = works.machines.find(({ id }) => id === answers.press)?.press;
  const [mostWidth, mostRepeat] = press?.maxSheetMm ?? [1000, 1000];
  const stock = works.stocks.find(({ id }) => id === answers.stock);
  const rolls = (stock?.rollWidthsMm ?? []).filter((roll) => roll <= mostWidth);
  const cutOffMm = press?.web?.cutOffMm;
  if (cutOffMm !== undefined)
    return { widthMm: rolls.length > 0 ? Math.max(...rolls) : mostWidth, heightMm: cutOffMm, grain: 'height' };
  if (press?.web?.anyRepeat) return madeRepeat(answers, rolls, press);
  const bleedMm = normsOf(works, {})('layout.bleed').value;
  const choices = rolls.flatMap((widthMm) =>
    chooseRepeat({
      widthMm: answers.widthMm,
      heightMm: answers.heightMm,
      gapMm: 2 * bleedMm,
      sideGapMm: 2 * bleedMm,
      webWidthMm: widthMm,
      edgeMm: (press?.sideMm ?? 0) + bleedMm,
      cylinders: press?.web?.cylinderTeeth ?? [],
    }).map((choice) => ({ ...choice, widthMm })),
  );
  const [best] = choices.sort((a, b) => a.areaM2PerThousand - b.areaM2PerThousand);
  return { widthMm: best?.widthMm ?? mostWidth, heightMm: best?.repeatMm ?? mostRepeat, grain: 'height' };
}

/** A cylinder made for the pattern, as often around as the press holds; the roll that it covers best. */
function madeRepeat({ widthMm, heightMm }: FamilyAnswers, rolls: readonly number[], press: PressLimits): SheetSize {
  const [mostWidth, mostRepeat] = press.maxSheetMm;
  const around = Math.max(1, Math.floor(mostRepeat / heightMm + 1e-9));
  const used = (roll: number): number => (Math.floor((roll - 2 * press.sideMm) / widthMm + 1e-9) * widthMm) / roll;
  const [best = mostWidth] = [...rolls].sort((a, b) => used(b) - used(a));
  return { widthMm: best, heightMm: around * heightMm, grain: 'height' };
}

/** On a web: printed and parted in line, so that what leaves the press is the product. */
function webLane(
  answers: FamilyAnswers,
  works: Works,
  made: Pick<Component, 'id' | 'name' | 'kind' | 'pages' | 'workStyle' | 'back' | 'lay'>,
): { component: Component; lane: Lane } {
  const component: Component = {
    ...made,
    widthMm: answers.widthMm,
    heightMm: answers.heightMm,
    stock: answers.stock,
    sheet: repeatFor(works, answers),
    press: answers.press,
    front: PROCESS,
  };
  const prints = printSteps(component.id, component.workStyle).filter(({ operation }) => operation === 'print');
  return { component, lane: new Lane(undefined, '', prints) };
}

/** A leaflet that the folder of a web press delivers. */
export function webLeaflet(answers: FamilyAnswers, works: Works): Made {
  const { pages } = answers;
  const { component, lane } = webLane(answers, works, {
    id: 'leaflet',
    name: $localize`Leaflet of ${pages} pages`,
    kind: 'section',
    pages,
    workStyle: 'perfecting',
    back: PROCESS,
  });
  lane.add('box', { perPack: 500 });
  return { components: [component], route: lane.steps };
}

/** Labels and sheets of a narrow web: kiss-cut in line, looked at by camera, cut square and wrapped. */
export function labels(answers: FamilyAnswers, works: Works): Made {
  const { component, lane } = webLane(answers, works, {
    id: 'label',
    name: $localize`Label`,
    kind: 'sheet',
    workStyle: 'single',
    back: [],
  });
  lane
    .add('convert')
    .add('inspect')
    .add('wrap', { perPack: answers.perPack ?? 100 })
    .add('box', { perPack: 1000 });
  return { components: [component], route: lane.steps };
}

/** Millimetres of a metre. */
const MM = 1000;

/** Decorative paper: printed from cylinders, rewound into consumer rolls, filmed, assorted. */
export function paperRoll(answers: FamilyAnswers, works: Works): Made {
  const { component, lane } = webLane(answers, works, {
    id: 'paper',
    name: $localize`Printed paper`,
    kind: 'sheet',
    workStyle: 'single',
    back: [],
    lay: { bleedMm: 0 },
  });
  const rollM = answers.rollM ?? 5;
  lane
    .add('rewind', {
      yield: answers.heightMm / (rollM * MM),
      note: $localize`Rolls of ${rollM} m, designs kept apart.`,
    })
    .add('wrap', { note: $localize`Each roll in film.` })
    .add('hand', { perHour: 1200, note: $localize`Designs assorted.` })
    .add('box', { perPack: answers.perPack ?? 24 });
  return { components: [component], route: lane.steps, finish: { rollM } };
}
