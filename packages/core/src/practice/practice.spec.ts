import fc from 'fast-check';
import { type Figure, evaluate, roundAs } from '../kernel/index.js';
import { type Exercise, type ExerciseGrade, GRADES, makeExercise, markRow, marksOf } from './exercise.js';
import { EXERCISES } from './exercises.js';
import { LESSONS, WRONG_WAYS } from './kinds.js';

function made(id: string, seed: number, grade: ExerciseGrade = 1): Exercise {
  const exercise = makeExercise(id, seed, grade);
  if (!exercise.ok) throw new Error(exercise.issues.map(({ code }) => code).join());
  return exercise.value;
}
type Answers = Readonly<Record<string, number>>;
const valueIn = ({ figures }: Exercise, { inputs }: Figure, formula: string, answers: Answers): number =>
  evaluate(formula, (name) => {
    const id = inputs[name] ?? '';
    return answers[id] ?? figures[id]?.value ?? NaN;
  });
const SEEDS = Array.from({ length: 60 }, (_, i) => i + 1);

describe('exercises', () => {
  it('are more than twenty, in every lesson, each by a sum of the reckoner', () => {
    expect(EXERCISES.length).toBeGreaterThanOrEqual(20);
    expect(new Set(EXERCISES.map(({ id }) => id)).size).toBe(EXERCISES.length);
    expect(LESSONS.filter((lesson) => !EXERCISES.some((one) => one.lesson === lesson))).toEqual([]);
    const used = new Set(EXERCISES.flatMap(({ wrong }) => wrong.map(([, , way]) => way)));
    expect(WRONG_WAYS.filter((way) => !used.has(way))).toEqual([]);
  });

  it.each(EXERCISES.map(({ id }) => id))(
    '%s can be solved whatever the seed, and its own solution has full marks in every grade, in full and as it is said',
    (id) => {
      for (const seed of SEEDS)
        for (const grade of GRADES) {
          const exercise = made(id, seed, grade);
          expect(exercise.rows.length).toBeGreaterThan(0);
          const full = Object.fromEntries(exercise.rows.map((row) => [row.id, row.value]));
          const said = Object.fromEntries(exercise.rows.map((row) => [row.id, roundAs(row.value, row.unit)]));
          expect([marksOf(exercise, full), marksOf(exercise, said)]).toEqual([1, 1]);
        }
    },
  );

  it('are the same for the same seed, and others for others', () => {
    for (const { id } of EXERCISES) {
      expect(made(id, 7)).toEqual(made(id, 7));
      expect(new Set(SEEDS.slice(0, 20).map((seed) => JSON.stringify(made(id, seed).values))).size).toBeGreaterThan(5);
    }
    expect(makeExercise('nothing', 1, 1)).toMatchObject({ ok: false, issues: [{ code: 'practice.kind' }] });
  });

  it('ask for fewer rows in higher grades, the last one always', () => {
    for (const { id } of EXERCISES) {
      const [one, two, three] = GRADES.map((grade) => made(id, 3, grade).rows.map((row) => row.id));
      expect(three).toHaveLength(1);
      expect(two).toEqual(expect.arrayContaining(three ?? []));
      expect(one).toEqual(expect.arrayContaining(two ?? []));
    }
  });
});

describe('marks', () => {
  it.each(EXERCISES.flatMap(({ id, wrong }) => wrong.map(([row, formula, way]) => [id, row, formula, way] as const)))(
    'of %s know in %s that %s is %s',
    (id, rowId, formula, way) => {
      let named = 0;
      for (const seed of SEEDS) {
        const exercise = made(id, seed);
        const row = exercise.rows.find((one) => one.id === rowId);
        if (!row) continue;
        const mark = markRow(exercise, row, { [rowId]: valueIn(exercise, row, formula, {}) });
        // Where the wrong way comes to the same, nothing is wrong; another way may come to the same, too.
        expect(['right', 'wrong-way']).toContain(mark?.kind);
        if (mark?.kind === 'wrong-way' && mark.way === way) named++;
      }
      expect(named).toBeGreaterThan(0);
    },
  );

  it('are given for a row that is right by the learner’s own rows, never taken for what is right (property)', () => {
    const kind = fc.constantFrom(...EXERCISES.map(({ id }) => id));
    fc.assert(
      fc.property(
        kind,
        fc.integer({ min: 1, max: 5_000 }),
        fc.double({ min: 0.2, max: 3, noNaN: true }),
        (id, seed, off) => {
          const exercise = made(id, seed);
          const answers: Record<string, number> = {};
          for (const [i, row] of exercise.rows.entries()) {
            const by = row.formula === undefined ? row.value : valueIn(exercise, row, row.formula, answers);
            // The first row is wrong by some factor; all others follow from it.
            answers[row.id] = i === 0 ? Math.round(by * off * 1e6) / 1e6 : by;
            if (!Number.isFinite(answers[row.id])) return;
            const mark = markRow(exercise, row, answers)?.kind;
            if (i > 0) expect(['right', 'by-own-rows']).toContain(mark);
          }
        },
      ),
    );
  });

  it('are none of an empty row, and wrong of what fits nothing', () => {
    const exercise = made('spine', 1);
    const [row] = exercise.rows;
    if (!row) throw new Error('no row');
    expect(markRow(exercise, row, {})).toBeUndefined();
    expect(markRow(exercise, row, { [row.id]: -77.7 })).toEqual({ kind: 'wrong' });
    expect(markRow(exercise, row, { [row.id]: NaN })).toEqual({ kind: 'wrong' });
    expect(marksOf(exercise, {})).toBe(0);
  });

  it('name a per cent of the net in the first exercise of spoilage (handbook chapter 6)', () => {
    const exercise = made('one-station', 4);
    const [row] = exercise.rows;
    const quantity = Number(exercise.values['quantity']);
    const [, setup = 0, percent = 0] =
      /print (\d+) ([\d.]+) %/.exec(String(exercise.values['route']))?.map(Number) ?? [];
    const net = Math.ceil(quantity * (1 + percent / 100)) + setup;
    expect(row && markRow(exercise, row, { [row.id]: net })).toEqual({ kind: 'wrong-way', way: 'percent-of-net' });
    const right = Math.ceil(quantity / (1 - percent / 100) - 1e-9) + setup;
    expect(row && markRow(exercise, row, { [row.id]: right })).toEqual({ kind: 'right' });
  });
});
