import type { Works } from '../works/index.js';
import { normsOf, withStockNorms } from '../norms/index.js';
import {
  type ComponentLayout,
  layComponent,
  type LayContext,
  sheetCandidates,
  sectionPositions,
} from '../press-sheet/index.js';
import { cutSheetFirst, withEndpapers } from '../edit/index.js';
import type { Component, Job } from '../job/index.js';
import { type Assembly, type OddPlace, usualOddPlace } from '../imposition/index.js';
import { withPartsFitted } from './fit-parts.js';
import { houseOddPlace } from './house.js';
import { incomingOf } from './job-materials.js';
import type { AskedFamily, FamilyAnswers } from './answers.js';
import { caseBound, perfectBound, stitched } from './bound.js';
import { carton, corrugatedCase, envelope, laminatedBox, wallet } from './box.js';
import type { Made } from './lane.js';
import { onDemand } from './on-demand.js';
import { flat, folded, numbered, stationery } from './sheet.js';
import { labels, paperRoll, webLeaflet } from './web.js';

const MAKERS: Readonly<Record<AskedFamily, (answers: FamilyAnswers, works: Works) => Made>> = {
  flat,
  folded,
  'web-leaflet': webLeaflet,
  'saddle-stitched': stitched,
  'perfect-bound': perfectBound,
  'case-bound': caseBound,
  carton,
  wallet,
  'laminated-box': laminatedBox,
  'corrugated-case': corrugatedCase,
  envelope,
  'paper-roll': paperRoll,
  labels,
  numbered,
  stationery,
  'on-demand': onDemand,
};

/** Families whose text is told in pages. */
const PAGED: readonly AskedFamily[] = ['saddle-stitched', 'web-leaflet', 'perfect-bound', 'case-bound'];

/** Families of which nothing but the ordered number is delivered. */
const EXACT: readonly AskedFamily[] = ['numbered', 'on-demand'];

function policyOf(family: AskedFamily): Job['order']['policy'] {
  if (EXACT.includes(family)) return { kind: 'exact' };
  // Overs of engraved work go to the customer.
  return family === 'stationery' ? { kind: 'all-overs' } : { kind: 'percent', under: 0, over: 5 };
}

/**
 * A new job of a family from its few questions, with a sensible press style, sheet and route; everything in it can be
 * changed afterwards. Pages that are no multiple of 4 give a booklet with a cover alone, which the plan then refuses.
 * Shared sheets start at the gang bench, see `gangJob`. Source: handbook chapter 2.
 */
export function makeJob(family: AskedFamily, answers: FamilyAnswers, asked: Works): Job {
  const works = withStockNorms(asked, {});
  const { endpaper, ...made } = MAKERS[family](answers, works);
  /** Where the odd section stands, where the house has it otherwise than is usual. */
  const odd = (assembly: Assembly): { odd?: OddPlace } => {
    const place = houseOddPlace(works, assembly);
    return place === usualOddPlace(assembly) ? {} : { odd: place };
  };
  const nested = odd('nested');
  const begun: Job = {
    format: 'druckerei-job',
    version: 1,
    number: answers.number,
    title: answers.title,
    customer: answers.customer,
    family,
    order: {
      quantity: answers.quantity,
      plannedOvers: 0,
      policy: policyOf(family),
    },
    school: 'step',
    ...(PAGED.includes(family) ? { pages: answers.pages } : {}),
    ...(family === 'saddle-stitched' && nested.odd ? { binding: { assembly: 'nested', ...nested } } : {}),
    ...(family === 'perfect-bound' || family === 'case-bound'
      ? {
          binding: {
            assembly: 'gathered',
            ...odd('gathered'),
            ...(answers.twoUp ? { twoUp: true } : {}),
            ...(answers.spine === 'notched' ? { spine: 'notched' } : {}),
          },
        }
      : {}),
    ...made,
    norms: {},
  };
  const job = endpaper === undefined ? begun : withEndpapers(begun, endpaper);
  const norms = normsOf(works, job.norms);
  const laid = onFittingSheets(job, works);
  const sized = withPartsFitted(laid, incomingOf(laid, works), norms);
  const fitted = onFittingSheets(sized, works);
  const context = { job: fitted, works, norms, positions: sectionPositions(fitted) };
  return fitted.components.reduce((cut, component) => {
    const { layout } = layComponent(component, '', context);
    return cutSheetFirst(cut, component.id, (layout?.pattern.count ?? 1) > 1);
  }, fitted);
}

/** Every component on a sheet that holds it well. */
function onFittingSheets(job: Job, works: Works): Job {
  const context = { job, works, norms: normsOf(works, job.norms), positions: sectionPositions(job) };
  return { ...job, components: job.components.map((component) => fitting(component, context)) };
}

/** Share of a sheet from which no other is looked for. Source: common practice, no source. */
const WELL_FILLED = 0.5;

/** A component on another sheet of its stock where it does not fit its own, or leaves most of it: the one that it fills best. */
function fitting(component: Component, context: LayContext): Component {
  const { works } = context;
  const laid = (one: Component): ComponentLayout | undefined => layComponent(one, '', context).layout;
  const press = works.machines.find(({ id }) => id === component.press)?.press;
  const stock = works.stocks.find(({ id }) => id === component.stock);
  const now = laid(component);
  if (!press || press.web || !stock || (now && now.usedShare >= WELL_FILLED)) return component;
  const [best] = stock.sheets
    .flatMap((sheet) => sheetCandidates(sheet, press))
    .filter(({ sheet }) => sheet.widthMm <= press.maxSheetMm[0] && sheet.heightMm <= press.maxSheetMm[1])
    .flatMap((candidate) => {
      const { bought: _bought, ...bare } = component;
      const one: Component = { ...bare, ...candidate };
      const layout = laid(one);
      return layout ? [{ one, usedShare: layout.usedShare }] : [];
    })
    .sort((a, b) => b.usedShare - a.usedShare);
  return best && best.usedShare > (now?.usedShare ?? 0) ? best.one : component;
}
