import type { Works } from '../works/index.js';
import { normsOf } from '../norms/index.js';
import { layComponent, sheetCandidates, sectionPositions } from '../press-sheet/index.js';
import type { Component, Job } from '../job/index.js';

/** A job of one section and nothing else, for laying it. */
const jobOf = (section: Component, twoUp: boolean): Job => ({
  format: 'druckerei-job',
  version: 1,
  number: '',
  title: '',
  customer: '',
  family: 'perfect-bound',
  order: { quantity: 1, plannedOvers: 0, policy: { kind: 'exact' } },
  school: 'step',
  binding: { assembly: 'gathered', twoUp },
  components: [section],
  route: [],
  norms: {},
});

/** Whether a section lies on some sheet of its stock, whole or cut, that its press takes. */
export function fitsASheet(section: Component, works: Works, twoUp: boolean): boolean {
  const press = works.machines.find(({ id }) => id === section.press)?.press;
  const sheets = works.stocks.find(({ id }) => id === section.stock)?.sheets ?? [];
  if (!press) return true;
  const job = jobOf(section, twoUp);
  const context = { job, works, norms: normsOf(works, {}), positions: sectionPositions(job) };
  return sheets
    .flatMap((sheet) => sheetCandidates(sheet, press))
    .some((candidate) => {
      const { sheet } = candidate;
      const fits = sheet.widthMm <= press.maxSheetMm[0] && sheet.heightMm <= press.maxSheetMm[1];
      return fits && layComponent({ ...section, ...candidate }, '', context).layout !== undefined;
    });
}
