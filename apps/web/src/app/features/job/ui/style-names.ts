import type { WorkStyle } from '@druckerei/core';

/** Work styles as people say them. */
export const STYLE_NAMES: Readonly<Record<WorkStyle, string>> = {
  single: $localize`One side`,
  sheetwise: $localize`Sheetwise`,
  'work-and-turn': $localize`Work and turn`,
  'work-and-tumble': $localize`Work and tumble`,
  perfecting: $localize`Perfecting`,
};
