// The reckoner's part of npm run bench: from a keystroke to the result.
const LINES = [
  '74 lb text in gsm',
  'spine 240 pp 110 um',
  'roll 1000/76 0.1 mm',
  '2500 x 44pp A4 on B1',
  'A5 on SRA1 bleed 3',
];
const ROUTE = '10000 print 200 1.5 %, cut 5 0.2 % x8, fold 60 1 %';
/** A keystroke is to be answered within a frame, ms. */
const FRAME_MS = 16;

/** An exercise is to be made and graded within that, ms; and so many of each kind are to be solved by their own solution. */
const EXERCISE_MS = 50;
const SEEDS = 10_000;

/** @param timeOf median ms of work that is done again and again. */
export function benchReckoner(core, say, timeOf, ratio) {
  const reckon = (line) => {
    const read = core.readTyped(line);
    return core.reckonSum(read.sum, read.values);
  };
  const told = (value) => [`${value.toFixed(2)} ms`, ratio(value, FRAME_MS)];
  say(
    'a typed line to its result, every line of five, median',
    ...told(timeOf((i) => reckon(LINES[i % LINES.length]), 500)),
  );
  say('sheets for a quantity by all schools, typed, median', ...told(timeOf(() => reckon(ROUTE), 50)));
  const slowest = Math.max(...core.EXERCISES.map(({ id }) => timeOf((i) => solve(core, id, i + 1), 30)));
  say('an exercise made and graded, the slowest kind, median', `${slowest.toFixed(2)} ms`, ratio(slowest, EXERCISE_MS));
  const begun = performance.now();
  for (const { id } of core.EXERCISES) for (let seed = 1; seed <= SEEDS; seed++) solve(core, id, seed);
  const s = ((performance.now() - begun) / 1000).toFixed(0);
  say(`${SEEDS} exercises of each of ${core.EXERCISES.length} kinds, all solved in full`, `${s} s`, '');
}

/** Makes an exercise and grades its own solution. Errors: throws where that has not full marks. */
function solve(core, kind, seed) {
  const made = core.makeExercise(kind, seed, 1);
  const answers = made.ok ? Object.fromEntries(made.value.rows.map(({ id, value }) => [id, value])) : {};
  if (!made.ok || core.marksOf(made.value, answers) !== 1) throw new Error(`${kind} ${seed} is not solved by its own`);
}
