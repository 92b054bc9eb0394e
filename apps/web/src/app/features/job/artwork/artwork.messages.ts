import type { Outcome } from '@druckerei/core';
import type { ExaminedPage } from '@druckerei/formats/pdf-artwork';

/** What the page asks of the worker; one file a worker, which is ended to stop it. */
export interface ArtworkQuestion {
  readonly file: File;
  /** Where the fonts lie that a PDF may leave out. */
  readonly fonts: string;
}

export type ArtworkAnswer =
  | { readonly kind: 'progress'; readonly share: number }
  | { readonly kind: 'examined'; readonly outcome: Outcome<readonly ExaminedPage[]> }
  /** Most ink of a page, its pictures too, as they were drawn. @param page from 0 */
  | { readonly kind: 'drawn'; readonly page: number; readonly totalInk: number; readonly share: number }
  | { readonly kind: 'done' };
