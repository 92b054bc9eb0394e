import { isFunction } from './formula.js';

/** The way of writing numbers of the language that is spoken, BCP 47. */
export const spokenLocale = (): string => ($localize.locale === 'de' ? 'de-DE' : 'en-GB');

/** Words as they stand within a sentence: English writes them small there, German keeps its nouns as they are. */
export const withinSentence = (words: string): string => ($localize.locale === 'de' ? words : words.toLowerCase());

/** What a value is founded on, as it is read: `practice, handbook chapter 6`. @param source its label, and a word on it */
export const sourceInWords = ({ label, note }: { readonly label: string; readonly note?: string }): string =>
  note ? `${wordOf(label)}, ${wordOf(note)}` : wordOf(label);

/** A table of words, made anew for every language that it is read in. */
export function inEveryTongue<Table>(make: () => Table): () => Table {
  const made = new Map<string | undefined, Table>();
  return () => {
    const known = made.get($localize.locale);
    if (known !== undefined) return known;
    const table = make();
    made.set($localize.locale, table);
    return table;
  };
}

/** Words that are remembered: there are no more of ours, and what people have typed is not remembered for ever. */
const MOST_SAID = 10_000;
const said = new Map<string, string>();
/** Under another name, since what translates the scripts of a page would take a call of its own for a text. */
const lookUp = $localize;

/**
 * What a word that is kept as it is, in books, addresses and files, is called in the language that is spoken; itself where
 * there is no other for it.
 */
export function wordOf(word: string): string {
  if (word === '') return word;
  const key = `${$localize.locale ?? ''} ${word}`;
  const known = said.get(key);
  if (known !== undefined) return known;
  const words = lookUp(Object.assign([word], { raw: [word] }));
  if (said.size < MOST_SAID) said.set(key, words);
  return words;
}

/** What a value is called in a formula: `perPallet` is “jePalette” in German; of several the number stays, `each12`. */
export function symbolOf(name: string): string {
  const [, stem = name, number = ''] = /^(\D+)(\d*)$/.exec(name) ?? [];
  const told = `:formula|:${stem}`;
  return `${lookUp(Object.assign([told], { raw: [told] }))}${number}`;
}

/** Numbers and signs of a formula as the language writes them: with a decimal comma, values are parted by semicolons. */
export const signsIn = (formula: string): string =>
  $localize.locale === 'de' ? formula.replaceAll(', ', '; ').replace(/(\d)\.(\d)/g, '$1,$2') : formula;

/** A formula with its names in the language that is spoken. */
export const formulaIn = (formula: string): string =>
  signsIn(formula).replace(/[a-z]\w*/gi, (name) => (isFunction(name) ? name : symbolOf(name)));
