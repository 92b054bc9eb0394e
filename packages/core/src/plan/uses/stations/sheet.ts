import type { StationOf } from '../../../route/index.js';
import { type Uses, NOTHING } from './use-at.js';

/** What these stations use up. Total: one that is forgotten does not compile. */
export const SHEET_USES: Readonly<Record<StationOf['sheet'], Uses>> = {
  cut: NOTHING,
  'die-cut': NOTHING,
  convert: NOTHING,
  score: NOTHING,
  fold: NOTHING,
};
