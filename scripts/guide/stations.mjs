import {
  OPERATION_RULES,
  ROUTE_RULES,
  SHIPPED_WORKS,
  faultsAt,
  normCatalogue,
  normInWords,
  wordOf,
} from '@druckerei/core';

const list = (title, lines) =>
  lines.length === 0 ? [] : [`**${title}**`, '', ...lines.map((line) => `- ${line}`), ''];

/** What something wet has to bear at a station. */
const DRY = {
  side: $localize`the other side of the sheet being printed`,
  cut: $localize`clamp and knife`,
  fold: $localize`folding`,
  film: $localize`film, foil or coating`,
  bind: $localize`the binder`,
  handle: $localize`being handled`,
};
/** Norms that are told of a station that runs in several ways. */
const TOLD = [$localize`Set-up`, $localize`Running spoilage`];
const told = (norm) => {
  const [, way] = /, (.+)$/.exec(norm.subject) ?? [];
  return `${norm.name}${way ? `, ${way}` : ''}: ${normInWords(norm, norm.value)}`;
};

/** What is lost, taken care of and assumed at a station. */
export function station(operation) {
  const { cautions, dryFor, name } = OPERATION_RULES[operation];
  const norms = [...normCatalogue(SHIPPED_WORKS).values()].filter(
    ({ subject, name: norm, value }) =>
      value !== 0 && (subject === name || (subject.startsWith(`${name}, `) && TOLD.includes(norm))),
  );
  return [
    ...list($localize`Spoils are told by`, [faultsAt(operation).map(wordOf).join(', ')]),
    ...list($localize`Take care`, cautions),
    ...(DRY[dryFor] === undefined
      ? []
      : [$localize`Ink and glue have to lie before it until they bear ${DRY[dryFor]}\: see *Lies before it*.`, '']),
    ...list($localize`Norms, as shipped`, norms.map(told)),
  ].join('\n');
}

/** Rules of the route, and why they are there. */
export const rules = () =>
  [`| ${$localize`rule`} | ${$localize`why`} | ${$localize`as shipped`} |`, '|---|---|---|']
    .concat(Object.values(ROUTE_RULES).map(({ name, reason, weight }) => `| ${name} | ${reason} | ${wordOf(weight)} |`))
    .join('\n');
