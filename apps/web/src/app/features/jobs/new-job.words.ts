import {
  type AskedFamily,
  type CoverWork,
  type Job,
  type Plan,
  type Works,
  FAMILY_RULES,
  OFFERED_SIZES,
  allPressSheets,
  figureOf,
  isoSize,
  numberText,
  pressUnit,
  usualIn,
  sayQuantity,
  unitText,
} from '@druckerei/core';

/** What may lie over the print. */
export const COVER_NAMES: Readonly<Record<CoverWork, string>> = {
  none: $localize`Nothing`,
  varnish: $localize`Varnish`,
  film: $localize`Film`,
};
/** What the two measures of a family are called. */
export const MEASURES: Partial<Readonly<Record<AskedFamily, readonly [string, string]>>> = {
  labels: [$localize`Width across the web`, $localize`Height along it`],
  'paper-roll': [$localize`Width of the roll`, $localize`Repeat of the design`],
  numbered: [$localize`Width`, $localize`Height`],
  stationery: [$localize`Width`, $localize`Height`],
  wallet: [$localize`Panel width`, $localize`Thickness inside`],
  envelope: [$localize`Width`, $localize`Thickness of what goes in`],
};
/** What they are called of a box. */
export const OPENING = [$localize`Length, inside`, $localize`Width, inside`] as const;

/** Sections by their pages: 12 sections of 16 pages, or 32 + 4 pages. */
function inSections(pages: readonly number[]): string {
  const [first] = pages;
  if (pages.length > 1 && pages.every((one) => one === first))
    return $localize`${pages.length} sections of ${first} pages`;
  return $localize`Sections of ${pages.join(' + ')} pages`;
}

/** The offered size of these measures, if it is one of them. */
export const offeredSize = (widthMm: number | undefined, heightMm: number | undefined) =>
  OFFERED_SIZES.find((name) => isoSize(name)?.widthMm === widthMm && isoSize(name)?.heightMm === heightMm);

/** The usual answers of a family in a works as the fields of the form. */
export function usualAnswers(family: AskedFamily, works: Works) {
  const { widthMm, heightMm, die: _die, quantity: _quantity, ...usual } = usualIn(family, works);
  const size = offeredSize(widthMm, heightMm);
  return {
    ...usual,
    ...(size ? { size } : {}),
    ...(widthMm === undefined || heightMm === undefined ? {} : { lengthMm: widthMm, breadthMm: heightMm }),
  };
}

/** What a new job comes to: its sections, sheets, plates, stations and cost. */
export function outlookWords(job: Job, planned: Plan): string {
  const { totals, layouts } = planned;
  const sheets = allPressSheets(totals);
  const split = job.components.flatMap(({ kind, pages }) => (kind === 'section' ? (pages ?? []) : []));
  const sections =
    FAMILY_RULES[job.family as AskedFamily].asks.includes('coverStock') && split.length > 0
      ? `${inSections(split)}. `
      : '';
  const carriers = figureOf(planned, 'total.plates');
  const [first] = Object.values(layouts);
  const unit = first && pressUnit(first) !== 'sheet' ? unitText(pressUnit(first), 2) : $localize`press sheets`;
  const plates = sayQuantity(carriers?.value ?? 0, carriers?.unit ?? 'plates');
  const cost = sayQuantity(totals.cost.total, totals.currency);
  return $localize`${sections}${numberText(sheets)} ${unit}, ${plates}, ${job.route.length} stations, ${cost}.`;
}
