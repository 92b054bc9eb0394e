import type { Outcome } from '@druckerei/core';
import type { ReadArtwork } from '@druckerei/formats/artwork';

/** What the page asks of the worker; one file a worker, which is ended to stop it. */
export interface ZonesQuestion {
  readonly file: File;
  /** Page of a PDF, from 1. */
  readonly page: number;
  /** Total of the four inks, 0..4, above which area is counted. */
  readonly limit: number;
  /** Where the fonts lie that a PDF may leave out. */
  readonly fonts: string;
}

export type ZonesAnswer =
  | { readonly kind: 'progress'; readonly share: number }
  | { readonly kind: 'read'; readonly outcome: Outcome<ReadArtwork> };
