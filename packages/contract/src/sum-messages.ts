import { type Issue, type IssueCode, inEveryTongue, numberText, own } from '@druckerei/core';

/** Words for the codes of issues that a sum of the reckoner can have: it is an application of its own, and brings no others. */
export const sumMessages = inEveryTongue(
  () =>
    ({
      'flow.cycle': $localize`The route runs in a circle at step {step}: {steps}. Let one of them take its material from an earlier step.`,
      'flow.duplicate-step': $localize`Two steps are called {step}. Give one of them another id.`,
      'flow.missing-input': $localize`Step {step} takes {material}, which no step makes and nobody buys. Choose an earlier step.`,
      'flow.no-end': $localize`The route ends in several places ({ends}). Join them, or take out what is not delivered.`,
      'flow.unused-step': $localize`Nobody uses what step {step} makes. Join it to the route or take it out.`,
      'flow.yield-not-positive': $localize`Step {step}: the yield must be above 0, not {value}.`,
      'flow.usage-not-positive': $localize`Step {step}: the usage of {material} must be above 0, not {value}.`,
      'flow.spoilage-too-high': $localize`Step {step}: running spoilage and incidents together are a share below 100 %.`,
      'flow.negative': $localize`Step {step}: the value cannot be negative ({value}).`,
      'flow.not-a-number': $localize`Step {step}: a number is wanted here.`,
      'flow.split-not-declared': $localize`{material} is made by several steps. Say at step {step} which share of it each makes.`,
      'flow.split-not-whole': $localize`The shares of {material} do not add up to 100 %.`,
      'flow.too-large': $localize`The count at {step} would be {value}, more than {limit}. Look at quantity and spoilage.`,
      'flow.spoils-not-before': $localize`Step {step} is not fed by {from}, whose spoils it is to be set up with. Choose a step before it.`,
      'flow.no-demand': $localize`The order quantity must be at least 1.`,
      'register.too-few-marks': $localize`Register is measured at two marks or more, with a reading at each; there are {marks} marks and {readings} readings.`,
      'register.offset-too-large': $localize`Mark {mark}: {value} mm is no misregister but a slip; at most {most} mm. Look at the unit.`,
      'register.marks-on-a-line': $localize`The {marks} marks stand on one slanting line, which cannot tell turn from stretch. Measure one beside it, or two on a line across.`,
      'quality.lot': $localize`A lot of {lot} cannot be sampled. Give a whole number of pieces, 2 or more.`,
      'quality.aql': $localize`{aql} is none of the acceptance quality limits. Take one of {known} per cent.`,
      'sum.missing': $localize`{field} is missing. Type it.`,
      'sum.choice': $localize`{field} cannot be {value}. Choose one of {known}.`,
      'sum.range': $localize`{field} goes from {low} to {high} {unit}, not {value}.`,
      'sum.whole': $localize`{field} is a whole number from {low} to {high}, not {value}.`,
      'sum.long': $localize`{field} has more than {most} characters. Make it shorter.`,
      'sum.roll': $localize`A roll of {outer} mm has no paper on a core of {core} mm. Make the diameter larger than the core.`,
      'sum.none-fits': $localize`{piece} does not fit on {area}. Make one of them another size, or the margins smaller.`,
      'sum.parts': $localize`Write parts like Yellow 60, Red 30: a name and a figure each, {most} of them at most and one above 0; “{part}” cannot be read.`,
      'sum.jobs': $localize`Write jobs like Map 90 40, Card 30 60: a name and two figures each, {most} of them at most; “{job}” cannot be read.`,
      'sum.route': $localize`A station is told as its name, what setting up spoils and what running spoils: print 200 1.5 %. "{station}" is not; part stations by a comma and a blank.`,
      'sum.never-even': $localize`They never cost the same: the {cheaper} is cheaper for every quantity.`,
      'sum.panels': $localize`The length cannot be folded so: a panel would be too short for a folder. At least {needs} mm would do.`,
      'sum.digits': $localize`{value} is not 1 to {most} digits.`,
      'sum.too-few-digits': $localize`The last number is {last}: {digits} digits do not hold it.`,
    }) satisfies Partial<Record<IssueCode, string>>,
);

const show = (value: string | number | undefined): string =>
  typeof value === 'number' ? numberText(value) : (value ?? '');
/** A message with what an issue says of itself. */
export const filled = (message: string, params: Issue['params']): string =>
  message.replace(/\{(\w+)\}/g, (_, name: string) => show(params[name]));

/** An issue of a sum in words. */
export const sumIssueText = ({ code, params }: Issue): string => filled(own(sumMessages(), code) ?? code, params);
