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
  paper: 'Paper',
  layout: 'Layout',
  plates: 'Plates',
  ink: 'Ink',
  register: 'Register',
  spoilage: 'Spoilage, hours and cost',
  finishing: 'Finishing and packing',
  schedule: 'What runs when',
  counting: 'Counting',
};

/** What went wrong, in a sentence: named where an answer fits it. */
export const WRONG_WORDS: Readonly<Record<WrongWay, string>> = {
  'percent-of-net': 'You took a per cent of the net. Spoilage is a share of what runs: divide by what is left of it.',
  'no-setup': 'You left out what setting up spoils.',
  'setup-spoils-too':
    'You took the per cent of the set-up too. It is spoiled whole; the share is of what runs behind it.',
  'rounded-down': 'You rounded the other way: half a sheet cannot be fed, and the order wants what it wants.',
  'leaf-is-two-pages': 'You counted pages as leaves: a leaf has two.',
  'no-cover': 'You left the cover out.',
  'one-cover': 'You took the cover once: it goes round both sides.',
  'diameter-for-radius': 'You took diameters where the area of a ring wants radii: four times too much.',
  'core-is-paper': 'You took the core for paper.',
  'ring-by-difference': 'You squared the difference. The ring is the difference of the squares.',
  'ream-is-500': 'You took the weight for one sheet: a basis weight is that of 500.',
  'millimetres-are-no-metres': 'You reckoned millimetres as metres somewhere.',
  'bulk-divides': 'You divided by the bulk. It is volume over mass: multiply.',
  'outermost-stands-still': 'You counted the outermost sheet too: it does not stand out.',
  'two-sides': 'You counted one side of the sheet.',
  'no-trim': 'You forgot the trim at the edges.',
  'coverage-forgotten': 'You inked all of it: only a share is covered.',
  'film-for-all': 'You took grams for kilograms.',
  'rated-speed': 'You took the rated speed: the machine reaches a share of it.',
  'setup-hours-forgotten': 'You left the set-up out of the hours.',
  'first-counts-too': 'You went one step too far: the first number counts as well.',
  'lines-added': 'You added what a thousand costs. What one way saves on a thousand is the difference.',
  'joint-forgotten': 'You left out the joint: the board stands back by it.',
  'turn-in-forgotten': 'You left out the turn-ins.',
  'boards-forgotten': 'You left out the boards: the strip goes over both.',
  'creases-forgotten': 'You left out the creasing rule.',
  'samples-forgotten': 'You left out the samples: they came in as well.',
  'left-over-forgotten': 'You left out what is left over.',
  'not-a-metre': 'It is told for a metre: divide by how far the marks are apart, and take it times a metre.',
  'one-mark': 'You took one mark: where the sheet lies is the mean of both.',
  'splice-for-each-roll': 'You spliced before the first roll: there is one splice fewer than rolls.',
  'part-counts-as-full': 'You counted a section that is not full.',
  'parts-of-hundred': 'You took parts as per cent. They are parts of their sum.',
  'trims-forgotten': 'You left out the trims all round.',
  'one-cut-too-many': 'You counted a cut for each piece: there is one place between two fewer.',
  'one-lift': 'You cut one lift: each lift is cut anew.',
  'turned-prints-twice': 'You took plates for both sides: turned, one set prints both.',
  'one-side': 'You took the plates of one side: each side has its own.',
  'first-version-too': 'You counted the first version twice: it is on the plates of the forms already.',
  'second-still-runs': 'You began while the second station still runs the one before.',
  'not-there-yet': 'You began before the first station had handed it on.',
  'weights-forgotten': 'You left the weights out: who waits more dearly counts more.',
  'one-piece': 'You weighed one piece: the box holds more.',
};

/** What a docket says, with `{field}` for what was drawn. Invented, like the works. */
const DOCKETS: Readonly<Record<string, string>> = {
  'paper-weight':
    '{sheets} sheets of {width} by {height} at {gsm} come on a truck. What do a thousand weigh, and what do all of them?',
  'basis-weight': 'The paper is told as {pounds} of {grade}. What is that in grams a square metre?',
  caliper: 'A paper of {gsm} has a bulk of {bulk}. How thick is a sheet, and how many pages make an inch?',
  'roll-length':
    'A roll stands {outer} high on a core of {core}, {width} wide; its paper of {gsm} is {caliper} thick. How long is it, what does the paper weigh, and how long does it run at {speed}?',
  'roll-to-sheets':
    'Rolls of {length}, {width} wide, trimmed {trim} a side, are cut to sheets of {across} across and {cut} along. {wanted} sheets are wanted: how many rolls?',
  splices:
    'A run takes {metres} of web, a roll holds {roll}, a splice loses {lost}. How many splices, and what do they lose?',
  'n-up':
    '{wanted} pieces of {pieceWidth} by {pieceHeight} with {bleed} bleed go on a sheet of {width} by {height}, {margin} of it margin all round. How many lie on one, and how many sheets is that?',
  'pages-on-sheet':
    '{copies} copies of {pages} pages, {pieceWidth} by {pieceHeight}, on sheets of {width} by {height}, nothing spoiled. How many sheets?',
  sections: 'A book of {pages} pages is folded in sections of {section}. How many are full, and what is left?',
  creep:
    'A stitched book of {pages} pages on paper of {caliper}, reckoned by "{method}". How far does the innermost sheet stand out?',
  register:
    'Two marks, {apart} apart. Left: {leftAcross} across, {leftAround} around. Right: {rightAcross} across, {rightAround} around. How does the colour lie?',
  ink: '{impressions} impressions of {width} by {height}, {coverage} covered, {film} on a solid. How much ink?',
  mix: '{kg} of an ink are mixed of these parts: {parts}. How much of each?',
  cuts: 'A sheet holds {across} by {around} pieces; gutters between them: {gutter}. {sheets} sheets, {lift} in a lift. How many cuts with strips side by side, how many strip by strip, and how many strokes for all?',
  plates:
    '{forms} forms, printed {style}, {front} colours in front and {back} at the back, in {versions} versions that change {changing} of them. A plate prints {impressions}, and lasts for {life}. How many plates?',
  'two-stations':
    'Each goes through the first station, then through the second; minutes there: {jobs}. Put them in the order in which both are through soonest. When is each station through with each?',
  'one-machine':
    'One machine, minutes and weight of each: {jobs}. Put them in the order in which the least is waited, weighted. When is each through, and what is waited in all?',
  'press-sheets': '{quantity} good ones are wanted. Route: {route}. What goes into each station?',
  'one-station': '{quantity} good sheets are wanted. {route}. How many sheets go in?',
  overs: '{quantity} are ordered, {under} under and {over} over are taken. Between which counts may be delivered?',
  'run-time':
    '{sheets} sheets at {speed}, of which {efficiency} is reached; set-up {setup}, the hour at {rate}. How long, and what does it cost?',
  'break-even':
    'One way costs {fixedA} and {thousandA} a thousand, the other {fixedB} and {thousandB} a thousand. From which count on is the other the cheaper one?',
  spine:
    'A book of {pages} pages on paper of {caliper}; its cover is {cover} thick. How thick is the block, and how thick the spine?',
  case: 'A block of {width} by {height}, {pages} pages of {caliper}. Boards of {board}, square {square}, joint {joint}, turn-in {turnIn}. Cut the case.',
  'die-force':
    'A die has {cut} of cutting rule at {perCut} and {crease} of creasing rule at {perCrease}. What force does it take?',
  box: '{pieces} pieces of {width} by {height}, {thickness} thick, {mass} each, in a box. How heavy is it, full?',
  balance:
    'A station took in {came}, and makes {each} out of one. {spoiled} were spoiled, {left} are left over, {samples} samples were taken. How many good ones balance it?',
  sampling:
    'A lot of {lot}, acceptance limit {aql} %, level {level}, {severity} inspection. How many are looked at, and how many may be faulty?',
  'number-list': 'Numbers from {first} on, {count} of them, {step} from one to the next. Which is the last?',
};

/** Exercises that are called otherwise than the sum that answers them. */
const NAMES: Readonly<Record<string, string>> = {
  'one-station': 'Sheets for one station',
  'press-sheets': 'Sheets for a route of three',
};
/** What an exercise is called. */
export const exerciseName = ({ id, sum }: Exercise['kind']): string => own(NAMES, id) ?? sumOf(sum)?.name ?? id;

/** What a kind of exercise is called where its results are told; one that is no more by its id. */
export function practiceName(kind: string): string {
  if (kind === SHIFT_KIND) return 'Shift at the press';
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
  roll: 'The web has broken before the first unit. The tear begins at a nick in the edge of the roll, and there are more of them below.',
  slack:
    'The web has broken behind the last unit, straight across. The edges of the roll are clean; the tension had been let off at the last splice.',
};

/** Why copies of a run were lost. */
export const SHIFT_LOSS_WORDS: Readonly<Record<ShiftLoss, string>> = {
  out: 'Printed out of register or colour',
  moves: 'Spoiled while register was moved',
  keys: 'Spoiled while ink keys were changed',
  break: 'Spoiled at the break',
  stops: 'Not printed while the press stood',
  count: 'A pile counted by hand',
  end: 'Left over, or missing: these three times',
};
