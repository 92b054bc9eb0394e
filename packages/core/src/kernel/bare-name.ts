/** Letters and digits alone, so that commas, signs and how a size is written do not matter. */
export const bareName = (name: string): string =>
  name
    .toLowerCase()
    .replaceAll(/(\d)\s*[x×*]\s*(?=\d)/g, '$1 ')
    .replaceAll(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();
