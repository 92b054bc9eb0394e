import type { Mm } from '../kernel/index.js';

/** Block that each section prints on its spine fold. Source: practice, handbook chapter 7: 5 x 8 mm. */
export const SECTION_BLOCK: { readonly widthMm: Mm; readonly heightMm: Mm } = { widthMm: 5, heightMm: 8 };

/** A section's mark on the spine: its top from the head of the spine, and the column that it stands in. */
export interface SectionMark {
  readonly section: number;
  readonly column: number;
  readonly topMm: Mm;
}

/** Tops of the places that a spine has, the middle left out: a turned section there would look right. */
export function markPlaces(spineHeightMm: Mm, blockHeightMm: Mm): Mm[] {
  const places = Math.floor(spineHeightMm / blockHeightMm);
  const middle = spineHeightMm / 2;
  return Array.from({ length: places }, (_, i) => i * blockHeightMm).filter(
    (top) => top + blockHeightMm <= middle || top >= middle,
  );
}

/**
 * The staircase of marks of a gathered block: each section's one block height lower than the one before, wrapped to a
 * further column where the spine ends. A missing, doubled, swapped or turned section breaks it.
 * @param sections 0 or more; @param spineHeightMm at least two block heights, else no marks.
 * Source: handbook chapter 7 "Section marks" (practice).
 */
export function sectionMarks(sections: number, spineHeightMm: Mm, block = SECTION_BLOCK): SectionMark[] {
  const places = markPlaces(spineHeightMm, block.heightMm);
  if (places.length === 0) return [];
  return Array.from({ length: sections }, (_, section) => ({
    section,
    column: Math.floor(section / places.length),
    topMm: places[section % places.length] ?? 0,
  }));
}

/** Text of the sequence code on the spine fold: job number and section, two digits at least. Identity of the section. */
export const sectionCode = (jobNumber: string, section: number): string =>
  `${jobNumber}.${String(section + 1).padStart(2, '0')}`;
