import {
  NORM_GROUPS,
  NORM_GROUP_NAMES,
  SHIPPED_WORKS,
  normInWords,
  normsOfGroup,
  sourceInWords,
} from '@druckerei/core';

const HEAD = `| ${$localize`of`} | ${$localize`norm`} | ${$localize`value`} | ${$localize`source`} | id |\n|---|---|---|---|---|`;

const row = (norm) =>
  `| ${norm.subject} | ${norm.name} | ${normInWords(norm, norm.value)} | ${sourceInWords(norm.source)} | \`${norm.id}\` |`;

/** The norms as they ship, by group. */
export const norms = () =>
  NORM_GROUPS.map(
    (group) => `## ${NORM_GROUP_NAMES[group]}\n\n${HEAD}\n${normsOfGroup(SHIPPED_WORKS, group).map(row).join('\n')}`,
  ).join('\n\n');
