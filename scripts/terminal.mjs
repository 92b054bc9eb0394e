// What the commands tell whoever sits at the terminal, in its language (LC_ALL, LC_MESSAGES, LANG): tagged and translated as
// everywhere, but read from the catalogue itself, since much of it is said before any package is there.
import fs from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';

const { language } = new Intl.Locale(Intl.DateTimeFormat().resolvedOptions().locale);
const file = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '../words', language, 'commands.json');
const words = fs.existsSync(file) ? JSON.parse(fs.readFileSync(file, 'utf8')) : {};

/** A text in the language of the terminal. */
export function $localize(parts, ...values) {
  const named = parts.map((part, n) => (n === 0 ? part : `{$PH${n === 1 ? '' : `_${n - 1}`}}${part}`));
  const key = named.join('');
  return (words[key] ?? key).replace(/\{\$PH(?:_(\d+))?\}/g, (_, n) => String(values[Number(n ?? 0)]));
}

export const say = (text) => process.stdout.write(`${text}\n`);
/** What went wrong. */
export const warn = (text) => process.stderr.write(`${text}\n`);
/** What went wrong, and that is the end. @param {number} code 2 where it was asked for wrongly */
export function fail(text, code = 1) {
  warn(text);
  process.exit(code);
}

/** Lets the built server that is loaded next speak the language of the terminal, too. */
export async function speakHere() {
  const { speakOnly } = await import('../apps/server/dist/http/tongue.js');
  speakOnly(language);
}
