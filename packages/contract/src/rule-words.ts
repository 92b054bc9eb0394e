import { type Finding, type Mend, type WorkStyle, OPERATION_RULES, numberText, wordOf } from '@druckerei/core';

const number = (value: number, unit: string | undefined): string =>
  unit === 'share' ? `${Math.round(value * 100)} %` : `${numberText(value)} ${unit ?? ''}`.trim();

/** What a route breaks, in a sentence: the rule, the place and the values where there are any, and why. */
export function findingText({ name, reason, value, limit, unit, artwork }: Finding): string {
  const seen = [
    artwork?.ink,
    artwork?.page === undefined ? undefined : $localize`page ${artwork.page}`,
    artwork?.file,
    value === undefined ? undefined : number(value, unit),
    limit === undefined
      ? undefined
      : artwork && unit !== 'share'
        ? $localize`wanted ${number(limit, unit)}`
        : $localize`limit ${number(limit, unit)}`,
  ].filter((one) => one !== undefined);
  return `${name}${seen.length > 0 ? ` (${seen.join(', ')})` : ''}. ${reason}`;
}

const SETS: Readonly<Record<string, (value: string) => string>> = {
  'finish.glueFree': () => $localize`Keep the glued areas free`,
  'finish.adhesive': () => $localize`Take hot melt`,
  'finish.glueCleared': () => $localize`Say that the glue is cleared`,
  'finish.varnishCleared': () => $localize`Say that the varnish is cleared`,
  widthMm: (value) => $localize`Make it ${value} mm wide`,
  perPack: (value) => $localize`Pack ${value} in a box`,
  machine: (value) => $localize`Take ${value}`,
  grain: () => $localize`Lay the grain right`,
  powder: () => $localize`Print without powder`,
  heightMm: (value) => $localize`Make it ${value} mm high`,
  count: (value) => $localize`Lay ${value} on the form`,
  counter: () => $localize`Have a counter made`,
  folds: (value) => $localize`Fold ${value} times`,
};

const WORK_STYLE_WORDS: Readonly<Record<WorkStyle, string>> = {
  single: $localize`on one side`,
  perfecting: $localize`both sides in one pass`,
  sheetwise: $localize`one side after the other`,
  'work-and-turn': wordOf('work-and-turn'),
  'work-and-tumble': wordOf('work-and-tumble'),
};

/** A mend as the words of its button. @param nameOf a station's name by its id, a machine's name by its id. */
export function mendText(mend: Mend, nameOf: (id: string) => string): string {
  switch (mend.kind) {
    case 'insert':
      return $localize`Put “${OPERATION_RULES[mend.operation].name}” before ${nameOf(mend.before)}`;
    case 'insert-after':
      return $localize`Put “${OPERATION_RULES[mend.operation].name}” after ${nameOf(mend.after)}`;
    case 'split-section':
      return $localize`Part ${nameOf(mend.component)} into two`;
    case 'style':
      return $localize`Print ${nameOf(mend.component)} ${WORK_STYLE_WORDS[mend.style]}`;
    case 'ink': {
      const where = $localize`the ${mend.sides.map(wordOf).join($localize` and `)} of ${nameOf(mend.component)}`;
      return mend.prints ? $localize`Print “${mend.ink}” on ${where}` : $localize`Leave “${mend.ink}” off ${where}`;
    }
    case 'trim':
      return $localize`Make it ${numberText(mend.widthMm)} x ${numberText(mend.heightMm)} mm`;
    case 'move':
      return $localize`Move ${nameOf(mend.step)} before ${nameOf(mend.before)}`;
    case 'set': {
      const path = mend.path.join('.');
      const words = SETS[path] ?? SETS[String(mend.path.at(-1))];
      return words ? words(nameOf(String(mend.value))) : $localize`Put it right`;
    }
  }
}
