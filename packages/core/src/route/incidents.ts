import type { Incident } from '../flow/index.js';

/** Where an incident happens: at a web press, at a sheet-fed one, or at any station. */
export type IncidentPlace = 'web' | 'sheet press' | 'anywhere';

/** What happens now and then, as it may be put into a job. Source: handbook chapter 6 for the web break; the others common practice, no source. */
export const USUAL_INCIDENTS: readonly { readonly at: IncidentPlace; readonly incident: Incident }[] = [
  { at: 'web', incident: { name: $localize`Web break`, rate: 1 / 100_000, loss: 800 } },
  { at: 'web', incident: { name: $localize`Blanket wash`, rate: 1 / 50_000, loss: 150 } },
  { at: 'sheet press', incident: { name: $localize`Blanket wash`, rate: 1 / 20_000, loss: 25 } },
  { at: 'anywhere', incident: { name: $localize`Jam`, rate: 1 / 5_000, loss: 5 } },
];
