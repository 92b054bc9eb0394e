import { ZxcvbnFactory } from '@zxcvbn-ts/core';
import * as common from '@zxcvbn-ts/language-common';
import * as english from '@zxcvbn-ts/language-en';
import { invalid } from '../../http/problem.js';

/** From 0, guessed at once, to 4; this many and more stand a guess of what was stolen. */
const LEAST_SCORE = 3;
/** More of it is not looked at: what is longer is hard enough, and takes long. */
const MOST_LOOKED_AT = 64;

const guesses = new ZxcvbnFactory({
  dictionary: { ...common.dictionary, ...english.dictionary },
  graphs: common.adjacencyGraphs,
  translations: english.translations,
});

/**
 * Refuses a password that is guessed easily, with what to do: no rules of what it is made of. @param about what others know of
 * whom it is for. @param at where it was sent.
 */
export function refuseGuessable(password: string, about: readonly string[], at: string): void {
  const known = about.flatMap((text) => [text, ...text.split(/[^\p{L}\d]+/u)]).filter(Boolean);
  const { score, feedback } = guesses.check(password.slice(0, MOST_LOOKED_AT), [
    ...known,
    'druckerei',
    'printing',
    'press',
  ]);
  if (score >= LEAST_SCORE) return;
  const why = [feedback.warning, ...feedback.suggestions].filter((one) => one !== null && one !== '').join(' ');
  throw invalid([
    {
      path: at,
      message: $localize`This password is guessed easily. ${why === '' ? $localize`Take several words that do not belong together.` : why}`,
    },
  ]);
}
