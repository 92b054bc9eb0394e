import {
  type BreakCause,
  type Exercise,
  type Lesson,
  type ShiftLoss,
  type WrongWay,
  EXERCISES,
  SHIFT_KIND,
  own,
  sayQuantity,
  sumOf,
} from '@druckerei/core';

/** What lessons are called, in the order of the trade. */
export const LESSON_WORDS: Readonly<Record<Lesson, string>> = {
  paper: $localize`Paper`,
  layout: $localize`Layout`,
  plates: $localize`Plates`,
  ink: $localize`Ink`,
  register: $localize`Register`,
  spoilage: $localize`Spoilage, hours and cost`,
  finishing: $localize`Finishing and packing`,
  schedule: $localize`What runs when`,
  counting: $localize`Counting`,
};

/** What went wrong, in a sentence: named where an answer fits it. */
export const WRONG_WORDS: Readonly<Record<WrongWay, string>> = {
  'percent-of-net': $localize`You took a per cent of the net. Spoilage is a share of what runs: divide by what is left of it.`,
  'no-setup': $localize`You left out what setting up spoils.`,
  'setup-spoils-too': $localize`You took the per cent of the set-up too. It is spoiled whole; the share is of what runs behind it.`,
  'rounded-down': $localize`You rounded the other way: half a sheet cannot be fed, and the order wants what it wants.`,
  'leaf-is-two-pages': $localize`You counted pages as leaves: a leaf has two.`,
  'no-cover': $localize`You left the cover out.`,
  'one-cover': $localize`You took the cover once: it goes round both sides.`,
  'diameter-for-radius': $localize`You took diameters where the area of a ring wants radii: four times too much.`,
  'core-is-paper': $localize`You took the core for paper.`,
  'ring-by-difference': $localize`You squared the difference. The ring is the difference of the squares.`,
  'ream-is-500': $localize`You took the weight for one sheet: a basis weight is that of 500.`,
  'millimetres-are-no-metres': $localize`You reckoned millimetres as metres somewhere.`,
  'bulk-divides': $localize`You divided by the bulk. It is volume over mass: multiply.`,
  'outermost-stands-still': $localize`You counted the outermost sheet too: it does not stand out.`,
  'two-sides': $localize`You counted one side of the sheet.`,
  'no-trim': $localize`You forgot the trim at the edges.`,
  'coverage-forgotten': $localize`You inked all of it: only a share is covered.`,
  'film-for-all': $localize`You took grams for kilograms.`,
  'rated-speed': $localize`You took the rated speed: the machine reaches a share of it.`,
  'setup-hours-forgotten': $localize`You left the set-up out of the hours.`,
  'first-counts-too': $localize`You went one step too far: the first number counts as well.`,
  'lines-added': $localize`You added what a thousand costs. What one way saves on a thousand is the difference.`,
  'joint-forgotten': $localize`You left out the joint: the board stands back by it.`,
  'turn-in-forgotten': $localize`You left out the turn-ins.`,
  'boards-forgotten': $localize`You left out the boards: the strip goes over both.`,
  'creases-forgotten': $localize`You left out the creasing rule.`,
  'samples-forgotten': $localize`You left out the samples: they came in as well.`,
  'left-over-forgotten': $localize`You left out what is left over.`,
  'not-a-metre': $localize`It is told for a metre: divide by how far the marks are apart, and take it times a metre.`,
  'one-mark': $localize`You took one mark: where the sheet lies is the mean of both.`,
  'splice-for-each-roll': $localize`You spliced before the first roll: there is one splice fewer than rolls.`,
  'part-counts-as-full': $localize`You counted a section that is not full.`,
  'parts-of-hundred': $localize`You took parts as per cent. They are parts of their sum.`,
  'trims-forgotten': $localize`You left out the trims all round.`,
  'one-cut-too-many': $localize`You counted a cut for each piece: there is one place between two fewer.`,
  'one-lift': $localize`You cut one lift: each lift is cut anew.`,
  'turned-prints-twice': $localize`You took plates for both sides: turned, one set prints both.`,
  'one-side': $localize`You took the plates of one side: each side has its own.`,
  'first-version-too': $localize`You counted the first version twice: it is on the plates of the forms already.`,
  'second-still-runs': $localize`You began while the second station still runs the one before.`,
  'not-there-yet': $localize`You began before the first station had handed it on.`,
  'weights-forgotten': $localize`You left the weights out: who waits more dearly counts more.`,
  'one-piece': $localize`You weighed one piece: the box holds more.`,
};

/** What a docket says, with `{field}` for what was drawn. Invented, like the works. */
const DOCKETS: Readonly<Record<string, string>> = {
  'paper-weight': $localize`{sheets} sheets of {width} by {height} at {gsm} come on a truck. What do a thousand weigh, and what do all of them?`,
  'basis-weight': $localize`The paper is told as {pounds} of {grade}. What is that in grams a square metre?`,
  caliper: $localize`A paper of {gsm} has a bulk of {bulk}. How thick is a sheet, and how many pages make an inch?`,
  'roll-length': $localize`A roll stands {outer} high on a core of {core}, {width} wide; its paper of {gsm} is {caliper} thick. How long is it, what does the paper weigh, and how long does it run at {speed}?`,
  'roll-to-sheets': $localize`Rolls of {length}, {width} wide, trimmed {trim} a side, are cut to sheets of {across} across and {cut} along. {wanted} sheets are wanted: how many rolls?`,
  splices: $localize`A run takes {metres} of web, a roll holds {roll}, a splice loses {lost}. How many splices, and what do they lose?`,
  'n-up': $localize`{wanted} pieces of {pieceWidth} by {pieceHeight} with {bleed} bleed go on a sheet of {width} by {height}, {margin} of it margin all round. How many lie on one, and how many sheets is that?`,
  'pages-on-sheet': $localize`{copies} copies of {pages} pages, {pieceWidth} by {pieceHeight}, on sheets of {width} by {height}, nothing spoiled. How many sheets?`,
  sections: $localize`A book of {pages} pages is folded in sections of {section}. How many are full, and what is left?`,
  creep: $localize`A stitched book of {pages} pages on paper of {caliper}, reckoned by "{method}". How far does the innermost sheet stand out?`,
  register: $localize`Two marks, {apart} apart. Left: {leftAcross} across, {leftAround} around. Right: {rightAcross} across, {rightAround} around. How does the colour lie?`,
  ink: $localize`{impressions} impressions of {width} by {height}, {coverage} covered, {film} on a solid. How much ink?`,
  mix: $localize`{kg} of an ink are mixed of these parts: {parts}. How much of each?`,
  cuts: $localize`A sheet holds {across} by {around} pieces; gutters between them: {gutter}. {sheets} sheets, {lift} in a lift. How many cuts with strips side by side, how many strip by strip, and how many strokes for all?`,
  plates: $localize`{forms} forms, printed {style}, {front} colours in front and {back} at the back, in {versions} versions that change {changing} of them. A plate prints {impressions}, and lasts for {life}. How many plates?`,
  'two-stations': $localize`Each goes through the first station, then through the second; minutes there: {jobs}. Put them in the order in which both are through soonest. When is each station through with each?`,
  'one-machine': $localize`One machine, minutes and weight of each: {jobs}. Put them in the order in which the least is waited, weighted. When is each through, and what is waited in all?`,
  'press-sheets': $localize`{quantity} good ones are wanted. Route: {route}. What goes into each station?`,
  'one-station': $localize`{quantity} good sheets are wanted. {route}. How many sheets go in?`,
  overs: $localize`{quantity} are ordered, {under} under and {over} over are taken. Between which counts may be delivered?`,
  'run-time': $localize`{sheets} sheets at {speed}, of which {efficiency} is reached; set-up {setup}, the hour at {rate}. How long, and what does it cost?`,
  'break-even': $localize`One way costs {fixedA} and {thousandA} a thousand, the other {fixedB} and {thousandB} a thousand. From which count on is the other the cheaper one?`,
  spine: $localize`A book of {pages} pages on paper of {caliper}; its cover is {cover} thick. How thick is the block, and how thick the spine?`,
  case: $localize`A block of {width} by {height}, {pages} pages of {caliper}. Boards of {board}, square {square}, joint {joint}, turn-in {turnIn}. Cut the case.`,
  'die-force': $localize`A die has {cut} of cutting rule at {perCut} and {crease} of creasing rule at {perCrease}. What force does it take?`,
  box: $localize`{pieces} pieces of {width} by {height}, {thickness} thick, {mass} each, in a box. How heavy is it, full?`,
  balance: $localize`A station took in {came}, and makes {each} out of one. {spoiled} were spoiled, {left} are left over, {samples} samples were taken. How many good ones balance it?`,
  sampling: $localize`A lot of {lot}, acceptance limit {aql} %, level {level}, {severity} inspection. How many are looked at, and how many may be faulty?`,
  'number-list': $localize`Numbers from {first} on, {count} of them, {step} from one to the next. Which is the last?`,
};

/** Exercises that are called otherwise than the sum that answers them. */
const NAMES: Readonly<Record<string, string>> = {
  'one-station': $localize`Sheets for one station`,
  'press-sheets': $localize`Sheets for a route of three`,
};
/** What an exercise is called. */
export const exerciseName = ({ id, sum }: Exercise['kind']): string => own(NAMES, id) ?? sumOf(sum)?.name ?? id;

/** What a kind of exercise is called where its results are told; one that is no more by its id. */
export function practiceName(kind: string): string {
  if (kind === SHIFT_KIND) return $localize`Shift at the press`;
  const found = EXERCISES.find(({ id }) => id === kind);
  return found ? exerciseName(found) : kind;
}

/** Whether a kind has its docket, for the test that holds both together. */
export const docketOf = (kind: string): string | undefined => own(DOCKETS, kind);

/** What the docket of an exercise says. */
export function docketText({ kind, values }: Pick<Exercise, 'kind' | 'values'>): string {
  const fields = sumOf(kind.sum)?.fields ?? [];
  return (docketOf(kind.id) ?? '').replace(/\{(\w+)\}/g, (_, id: string) => {
    const field = fields.find((one) => one.id === id);
    const value = own(values, id) ?? field?.usual ?? '';
    return typeof value === 'number' ? sayQuantity(value, field?.unit ?? '', 'given').trim() : value;
  });
}

/** Why the web broke, as it is seen at the press. */
export const BREAK_WORDS: Readonly<Record<BreakCause, string>> = {
  roll: $localize`The web has broken before the first unit. The tear begins at a nick in the edge of the roll, and there are more of them below.`,
  slack: $localize`The web has broken behind the last unit, straight across. The edges of the roll are clean; the tension had been let off at the last splice.`,
};

/** Why copies of a run were lost. */
export const SHIFT_LOSS_WORDS: Readonly<Record<ShiftLoss, string>> = {
  out: $localize`Printed out of register or colour`,
  moves: $localize`Spoiled while register was moved`,
  keys: $localize`Spoiled while ink keys were changed`,
  break: $localize`Spoiled at the break`,
  stops: $localize`Not printed while the press stood`,
  count: $localize`A pile counted by hand`,
  end: $localize`Left over, or missing: these three times`,
};
