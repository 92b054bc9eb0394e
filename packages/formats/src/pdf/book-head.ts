/** The last entry of the book when a page was printed, and its hash. */
export interface BookHead {
  readonly entry: number;
  /** SHA-256, hexadecimal. */
  readonly sha256: string;
}

/** A hash in groups of eight, as it is read from paper. */
export const grouped = (sha256: string): string => (sha256.match(/.{8}/g) ?? []).join(' ');

/** What stands at the foot of a page, with how the book ended when it was printed: whoever has the paper can have the hash looked up. */
export const footText = (text: string, book: BookHead | undefined): string =>
  book ? $localize`${text}\nBook to entry ${book.entry}\: ${grouped(book.sha256)}` : text;
