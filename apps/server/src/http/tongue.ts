import '@angular/localize/init';
import { AsyncLocalStorage } from 'node:async_hooks';
import fs from 'node:fs';
import { fileURLToPath } from 'node:url';
import type { Request, RequestHandler } from 'express';
import { type Language, SPOKEN, languageOf } from '@druckerei/contract/plain';
import { type SpokenWords, speak } from '@druckerei/contract/speak';

/** The one that the build has words of, beside that of the sources. */
const LEARNT = 'de' satisfies Language;

/** What the build makes of the catalogue, the same seen from the sources and from the build. */
const WORDS = fileURLToPath(new URL(`../../dist/words-${LEARNT}.json`, import.meta.url));
const readWords = (): SpokenWords => JSON.parse(fs.readFileSync(WORDS, 'utf8')) as SpokenWords;

const spoken = new AsyncLocalStorage<Language>();

/** The language of whoever is answered; English where nobody is. */
export const tongueHere = (): Language => spoken.getStore() ?? 'en';

/** Does something in the language of a locale, BCP 47. */
export const inTongue = <Result>(locale: string | undefined, act: () => Result): Result =>
  spoken.run(languageOf(locale), act);

/** Lets this thread speak the language of whoever is answered. */
export const learnTongues = (): void => speak(readWords(), () => tongueHere() === LEARNT);

/** The locale of the terminal that the server was started in. */
export const terminalLocale = (): string => Intl.DateTimeFormat().resolvedOptions().locale;

/** Lets this thread speak one language alone, before it loads what is said in it. */
export function speakOnly(language: string): void {
  if (language === LEARNT) speak(readWords());
}

const CHOSEN = /(?:^|;\s*)language=([a-z]{2})(?:;|$)/;

/** The language of a request: the one that its browser was told in this application, else the first of its own. */
function tongueOfRequest(request: Request): Language {
  const chosen = CHOSEN.exec(request.headers.cookie ?? '')?.[1];
  const told = chosen ?? request.acceptsLanguages([...SPOKEN]);
  return SPOKEN.find((known) => known === told) ?? 'en';
}

/** Answers in the language of who asks. */
export const inTheirTongue: RequestHandler = (request, _response, next) => spoken.run(tongueOfRequest(request), next);
