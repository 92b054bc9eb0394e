import { SHIPPED_WORKS, normCatalogue, normInWords, sourceInWords } from '@druckerei/core';

/** Groups of norms, in the order of the catalogue. */
const GROUPS = {
  spoilage: $localize`Spoilage`,
  table: $localize`Spoilage table`,
  machines: $localize`Machines`,
  'press room': $localize`Press room`,
  finishing: $localize`Finishing`,
  rules: $localize`Route rules`,
  quality: $localize`Quality`,
  paper: $localize`Paper and rolls`,
  drying: $localize`Drying`,
  prices: $localize`Prices`,
};
const HEAD = `| ${$localize`of`} | ${$localize`norm`} | ${$localize`value`} | ${$localize`source`} | id |\n|---|---|---|---|---|`;

const row = (norm) =>
  `| ${norm.subject} | ${norm.name} | ${normInWords(norm, norm.value)} | ${sourceInWords(norm.source)} | \`${norm.id}\` |`;

/** The norms as they ship, by group. */
export function norms() {
  const all = [...normCatalogue(SHIPPED_WORKS).values()];
  const named = Object.entries(GROUPS).map(([group, name]) => ({
    name,
    of: all.filter((norm) => norm.group === group),
  }));
  if (named.reduce((count, { of }) => count + of.length, 0) !== all.length)
    throw new Error('A group of norms has no name');
  return named
    .filter(({ of }) => of.length > 0)
    .map(({ name, of }) => `## ${name}\n\n${HEAD}\n${of.map(row).join('\n')}`)
    .join('\n\n');
}
