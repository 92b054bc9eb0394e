import { LABELLED, LABEL_SIZES } from '@druckerei/core';

/** What labels are printed for. */
export const LABELS = LABELLED;
/** The sizes that they come in, width by height. */
export const SIZES = Object.entries(LABEL_SIZES).map(([id, [width, height]]) => ({
  id,
  name: `${/^a\d$/.test(id) ? `${id.toUpperCase()}, ` : ''}${width} x ${height} mm`,
}));
