import { loadTranslations, ɵcomputeMsgId as idOf } from '@angular/localize';

/** The words of a language. */
export interface SpokenWords {
  /** BCP 47, without a region: `de`. */
  readonly language: string;
  /** Where a browser finds them. */
  readonly file: string;
  /** By the ids of what is said in the sources. */
  readonly words: Readonly<Record<string, string>>;
  /** What is looked up, by itself; before a bar, what tells it from its like. */
  readonly looked: Readonly<Record<string, string>>;
}

/** The id of a text that is looked up. */
const idOfKey = (key: string): string => {
  const [text = '', meaning] = key.split('|').reverse();
  return idOf(text, meaning);
};

/**
 * Says what is tagged with `$localize` in another language from now on. What a module says as it is loaded, is said as it was
 * spoken then. @param isSpoken asked at every sentence, where several languages are spoken at once
 */
export function speak({ language, looked, ...said }: SpokenWords, isSpoken: () => boolean = () => true): void {
  const words = { ...said.words };
  for (const [key, word] of Object.entries(looked)) words[idOfKey(key)] = word;
  loadTranslations(words);
  const { translate } = $localize;
  if (!translate) return;
  const known = new WeakMap<TemplateStringsArray, readonly [TemplateStringsArray, readonly number[]]>();
  // What people have typed goes through wordOf, too: it stays as it is, and nobody is warned of it.
  const isTyped = ([text = '', ...others]: TemplateStringsArray): boolean =>
    others.length === 0 && !text.startsWith(':') && !Object.hasOwn(words, idOf(text));
  const find = (said: TemplateStringsArray): readonly [TemplateStringsArray, readonly number[]] => {
    const places = said.slice(1).map((_, n) => n);
    const [parts, order] = isTyped(said)
      ? [said, places]
      : (translate(said, places) as [TemplateStringsArray, readonly number[]]);
    known.set(said, [parts, order]);
    return [parts, order];
  };
  $localize.translate = (said, values) => {
    if (!isSpoken()) return [said, values];
    const [parts, order] = known.get(said) ?? find(said);
    return [parts, order.map((n): unknown => values[n])];
  };
  Object.defineProperty($localize, 'locale', { get: () => (isSpoken() ? language : 'en'), configurable: true });
}
