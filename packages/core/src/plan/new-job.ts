import { mostPages, splitPages } from '../imposition/index.js';
import type { WorkStyle } from '../press/index.js';
import { SCORE_OVER_GSM } from '../route/index.js';
import { chooseRepeat } from '../web/index.js';
import { type SheetSize, type Stock, type Works, normsOf } from '../works/index.js';
import { layComponent } from './component-layout.js';
import { cutSheetFirst, printSteps, sectionLane } from './edit-job.js';
import { sectionPositions } from './section-layout.js';
import type { Component, Die, Family, InkUse, Job, Step } from './job.js';
import { type PressSheet, sheetCandidates } from './press-sheet.js';

/** The few questions of a family. */
export interface FamilyAnswers {
  readonly number: string;
  readonly title: string;
  readonly customer: string;
  readonly quantity: number;
  /** Trimmed size: of the flat piece, or of a page. */
  readonly widthMm: number;
  readonly heightMm: number;
  /** Text pages of a stitched booklet, a multiple of 4. */
  readonly pages: number;
  readonly stock: string;
  readonly coverStock: string;
  readonly press: string;
  /** Folds of a folded piece. */
  readonly folds: number;
  /** Shape of a carton; width and height are then the length and width of its opening. */
  readonly die: Die;
}

/** Process colours, black first, as one school of ink order has it (handbook chapter 5). */
export const PROCESS: readonly InkUse[] = [{ name: 'K' }, { name: 'C' }, { name: 'M' }, { name: 'Y' }];

const after = (steps: readonly Step[]): { from: { material: string }[] } => ({
  from: [{ material: steps.at(-1)?.id ?? '' }],
});

/** First sheet of the stock that the press takes, whole or cut to fit, with the grain asked for where there is one. */
function sheetFor(works: Works, stockId: string, pressId: string, grain: SheetSize['grain']): PressSheet {
  const sheets = works.stocks.find(({ id }) => id === stockId)?.sheets ?? [];
  const press = works.machines.find(({ id }) => id === pressId)?.press;
  const offered = sheets.flatMap((sheet) => (press ? sheetCandidates(sheet, press) : [{ sheet }]));
  const whole = offered.filter(({ bought }) => !bought);
  const usable = whole.filter(
    ({ sheet }) => !press || (sheet.widthMm <= press.maxSheetMm[0] && sheet.heightMm <= press.maxSheetMm[1]),
  );
  const fits = usable.length > 0 ? usable : offered.filter(({ bought }) => bought);
  return (
    fits.find(({ sheet }) => sheet.grain === grain) ??
    fits[0] ??
    offered[0] ?? { sheet: { widthMm: 1020, heightMm: 720, grain } }
  );
}

const styleOf = (works: Works, pressId: string, back: readonly InkUse[], front: readonly InkUse[]): WorkStyle => {
  const press = works.machines.find(({ id }) => id === pressId)?.press;
  return press?.perfects && front.length + back.length <= press.units ? 'perfecting' : 'sheetwise';
};

const gsmOf = (works: Works, id: string): number => works.stocks.find((stock: Stock) => stock.id === id)?.gsm ?? 0;

/** Sections that a booklet's text is split into on a stock: 36 pages on 90 g are 32 + 4. Empty unless a multiple of 4. */
export const sectionPages = (pages: number, gsm: number): number[] => splitPages(pages, mostPages(gsm));

function foldedJob(answers: FamilyAnswers, works: Works): { components: Component[]; route: Step[] } {
  const component: Component = {
    id: 'leaflet',
    name: 'Leaflet',
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
  if (gsmOf(works, answers.stock) > SCORE_OVER_GSM) add({ id: 'score', operation: 'score', component: component.id });
  add({ id: 'fold', operation: 'fold', component: component.id, folds: answers.folds });
  add({ id: 'band', operation: 'band', perPack: 50 });
  add({ id: 'box', operation: 'box', perPack: 500 });
  return { components: [component], route };
}

function coverRoute(component: Component, gsm: number): Step[] {
  const route = printSteps(component.id, component.workStyle);
  const add = (id: string, operation: Step['operation']) =>
    route.push({ id: `${id}-cover`, operation, component: component.id, ...after(route) });
  add('coat', 'coat');
  add('cut', 'cut');
  if (gsm > SCORE_OVER_GSM) add('score', 'score');
  return route;
}

function stitchedJob(answers: FamilyAnswers, works: Works): { components: Component[]; route: Step[] } {
  const common = {
    widthMm: answers.widthMm,
    heightMm: answers.heightMm,
    press: answers.press,
    workStyle: styleOf(works, answers.press, PROCESS, PROCESS),
    front: PROCESS,
    back: PROCESS,
  };
  const sections = sectionPages(answers.pages, gsmOf(works, answers.stock)).map((pages, i): Component => ({
    ...common,
    id: `section-${i + 1}`,
    name: `Section of ${pages} pages`,
    kind: 'section',
    pages,
    stock: answers.stock,
    ...sheetFor(works, answers.stock, answers.press, 'width'),
  }));
  const cover: Component = {
    ...common,
    id: 'cover',
    name: 'Cover',
    kind: 'cover',
    pages: 4,
    stock: answers.coverStock,
    ...sheetFor(works, answers.coverStock, answers.press, 'width'),
  };
  const lanes = [
    ...sections.map((section) => sectionLane(section, false)),
    coverRoute(cover, gsmOf(works, answers.coverStock)),
  ];
  const stitch: Step = {
    id: 'stitch',
    operation: 'stitch',
    from: lanes.map((lane) => ({ material: lane.at(-1)?.id ?? '' })),
  };
  const route: Step[] = [...lanes.flat(), stitch, { id: 'trim', operation: 'trim', from: [{ material: 'stitch' }] }];
  route.push({ id: 'box', operation: 'box', perPack: 100, from: [{ material: 'trim' }] });
  return { components: [...sections, cover], route };
}

/** A carton: printed, die cut, folded and glued. The grain runs around the box, across the body creases (house rule). */
function cartonJob(answers: FamilyAnswers, works: Works): { components: Component[]; route: Step[] } {
  const component: Component = {
    id: 'carton',
    name: 'Carton',
    kind: 'blank',
    ...(answers.die.kind === 'structure' ? { widthMm: answers.widthMm, heightMm: answers.heightMm } : {}),
    die: answers.die,
    grain: 'width',
    stock: answers.stock,
    ...sheetFor(works, answers.stock, answers.press, 'width'),
    press: answers.press,
    workStyle: 'single',
    front: PROCESS,
    back: [],
  };
  const route: Step[] = printSteps(component.id, component.workStyle);
  const add = (step: Omit<Step, 'from'>) => route.push({ ...step, ...after(route) });
  add({ id: 'die-cut', operation: 'die-cut', component: component.id });
  add({ id: 'glue', operation: 'glue', component: component.id });
  add({ id: 'box', operation: 'box', perPack: 500 });
  return { components: [component], route };
}

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

/** On a web: printed and parted in line, so that what leaves the press is the product. */
function webJob(
  answers: FamilyAnswers,
  works: Works,
  made: Pick<Component, 'id' | 'name' | 'kind' | 'pages' | 'workStyle' | 'back'>,
): { components: Component[]; route: Step[] } {
  const component: Component = {
    ...made,
    widthMm: answers.widthMm,
    heightMm: answers.heightMm,
    stock: answers.stock,
    sheet: repeatFor(works, answers),
    press: answers.press,
    front: PROCESS,
  };
  const route = printSteps(component.id, component.workStyle).filter(({ operation }) => operation === 'print');
  route.push({ id: 'box', operation: 'box', perPack: 1000, ...after(route) });
  return { components: [component], route };
}

const makeFamily = (family: Exclude<Family, 'gang'>, answers: FamilyAnswers, works: Works) => {
  switch (family) {
    case 'folded':
      return foldedJob(answers, works);
    case 'saddle-stitched':
      return stitchedJob(answers, works);
    case 'carton':
      return cartonJob(answers, works);
    case 'web-leaflet': {
      const { pages } = answers;
      return webJob(answers, works, {
        id: 'leaflet',
        name: `Leaflet of ${pages} pages`,
        kind: 'section',
        pages,
        workStyle: 'perfecting',
        back: PROCESS,
      });
    }
    case 'labels':
      return webJob(answers, works, { id: 'label', name: 'Label', kind: 'sheet', workStyle: 'single', back: [] });
  }
};

/**
 * A new job of a family from its few questions, with a sensible press style, sheet and route; everything in it can be
 * changed afterwards. Pages that are no multiple of 4 give a booklet with a cover alone, which the plan then refuses.
 * Shared sheets start at the gang bench, see `gangJob`. Source: handbook chapter 2, families 2, 3, 6 and 12.
 */
export function newJob(family: Exclude<Family, 'gang'>, answers: FamilyAnswers, works: Works): Job {
  const made = makeFamily(family, answers, works);
  const job: Job = {
    format: 'druckerei-job',
    version: 1,
    number: answers.number,
    title: answers.title,
    customer: answers.customer,
    family,
    order: { quantity: answers.quantity, plannedOvers: 0, policy: { kind: 'percent', under: 0, over: 5 } },
    school: 'step',
    ...(family === 'saddle-stitched' || family === 'web-leaflet' ? { pages: answers.pages } : {}),
    ...made,
    norms: {},
  };
  const context = { job, works, norms: normsOf(works, {}), positions: sectionPositions(job) };
  return job.components.reduce((cut, component) => {
    const { layout } = layComponent(component, '', context);
    return cutSheetFirst(cut, component.id, (layout?.pattern.count ?? 1) > 1);
  }, job);
}
