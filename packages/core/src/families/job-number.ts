/** The number behind the last of a list: its trailing digits one more, as many of them. Undefined where it ends in none. */
export function numberAfter(numbers: readonly string[]): string | undefined {
  const parts = numbers.flatMap((number) => {
    const match = /^(.*?)(\d+)$/.exec(number);
    return match ? [{ head: match[1] ?? '', digits: match[2] ?? '' }] : [];
  });
  const [newest] = parts;
  if (!newest) return undefined;
  const same = parts.filter(({ head }) => head === newest.head).map(({ digits }) => Number(digits));
  return `${newest.head}${String(Math.max(...same) + 1).padStart(newest.digits.length, '0')}`;
}

/** Signs that a running number may have; more would not be an exact number. */
const MOST_DIGITS = 9;
const RUNNING = /#+/g;
const PLACEHOLDER = /\{([^{}]*)\}/g;

/** What a pattern of job numbers may hold beside letters and `#`: parts of the day, by name. */
const DAY_PARTS: Readonly<Record<string, (day: string) => string>> = {
  year: (day) => day.slice(0, 4),
  yy: (day) => day.slice(2, 4),
  month: (day) => day.slice(5, 7),
};

/**
 * What is wrong with a pattern of job numbers, in words; undefined where it can be used. A pattern holds one row of `#`, a
 * digit each of the running number, and may hold {year}, {yy} and {month}.
 */
export function wrongNumberPattern(pattern: string): string | undefined {
  const rows = pattern.match(RUNNING) ?? [];
  const unknown = [...pattern.matchAll(PLACEHOLDER)].find(([, name = '']) => !Object.hasOwn(DAY_PARTS, name));
  if (unknown) return $localize`“${unknown[0]}” is unknown; there are {year}, {yy} and {month}`;
  if (/[{}]/.test(pattern.replace(PLACEHOLDER, '')))
    return $localize`a brace has no other; write {year}, {yy} or {month}`;
  if (rows.length === 0)
    return $localize`the running number is missing; write one # for each of its digits, like {yy}-####`;
  if (rows.length > 1) return $localize`there is more than one running number; write its # in one row`;
  if ((rows[0] ?? '').length > MOST_DIGITS) return $localize`the running number has at most ${MOST_DIGITS} digits`;
  return undefined;
}

/** What stands before and behind the running number of a pattern on a day, ISO 8601. */
export function numberEnds(pattern: string, day: string): { readonly head: string; readonly tail: string } {
  const written = pattern.replace(PLACEHOLDER, (whole, name: string) => DAY_PARTS[name]?.(day) ?? whole);
  const at = written.search(/#/);
  return { head: written.slice(0, at), tail: written.slice(at).replace(/^#+/, '') };
}

/**
 * The next job number of a pattern: behind the largest of those that are like it on that day, from 1 where there is none.
 * It grows a digit where its places are used up.
 * @param pattern one that `wrongNumberPattern` finds nothing wrong with. @param numbers taken. @param day ISO 8601.
 */
export function nextJobNumber(pattern: string, numbers: readonly string[], day: string): string {
  const { head, tail } = numberEnds(pattern, day);
  const places = (/#+/.exec(pattern)?.[0] ?? '').length;
  const runs = numbers.flatMap((number) => {
    const between =
      number.startsWith(head) && number.endsWith(tail) ? number.slice(head.length, number.length - tail.length) : '';
    return new RegExp(`^\\d{1,${MOST_DIGITS}}$`).test(between) ? [Number(between)] : [];
  });
  const next = runs.reduce((most, run) => Math.max(most, run), 0) + 1;
  return `${head}${String(next).padStart(places, '0')}${tail}`;
}
