import type { TDocumentDefinitions } from 'pdfmake/interfaces.js';

const POINTS_PER_MM = 72 / 25.4;
/** Height of a label whose letters are full, mm; the smallest that is still read at arm's length and the largest, as shares. */
const FULL_HEIGHT_MM = 105;
const LEAST_SCALE = 0.55;
const MOST_SCALE = 1.4;

/** The page of a label, and the size of its letters as a share. @param size width and height, mm. */
export const labelPage = ([width, height]: readonly [number, number]): {
  readonly page: Pick<TDocumentDefinitions, 'pageSize' | 'pageMargins'>;
  readonly scale: number;
} => ({
  page: { pageSize: { width: width * POINTS_PER_MM, height: height * POINTS_PER_MM }, pageMargins: 10 },
  scale: Math.max(LEAST_SCALE, Math.min(height / FULL_HEIGHT_MM, MOST_SCALE)),
});
