import type { WorkStyle } from '@druckerei/core';

/** Work styles as people say them. */
export const STYLE_NAMES: Readonly<Record<WorkStyle, string>> = {
  single: 'One side',
  sheetwise: 'Sheetwise',
  'work-and-turn': 'Work and turn',
  'work-and-tumble': 'Work and tumble',
  perfecting: 'Perfecting',
};
