import type { Draw } from './draw.js';
import type { ExerciseKind } from './kinds.js';

const calipers = (draw: Draw): number => draw.from(70, 180, 5);
const grams = (draw: Draw): number => draw.pick([80, 90, 100, 115, 135, 150, 170, 200, 250, 300]);
const SHEETS = [
  [450, 640],
  [640, 900],
  [700, 1000],
  [720, 1020],
] as const;
const sheet = (draw: Draw): { readonly width: number; readonly height: number } => {
  const [width, height] = draw.pick(SHEETS);
  return { width, height };
};
const PAGES = [
  [148, 210],
  [210, 297],
  [170, 240],
  [135, 210],
] as const;
const page = (draw: Draw): { readonly pieceWidth: number; readonly pieceHeight: number } => {
  const [pieceWidth, pieceHeight] = draw.pick(PAGES);
  return { pieceWidth, pieceHeight };
};

/** What is put in order, and the rows of it. */
const JOBS = ['Map', 'Card', 'Book', 'Box'];
const BOTH_ROWS = JOBS.flatMap((_, i) => [`left${i}`, `through${i}`]);
const ONE_ROWS = [...JOBS.map((_, i) => `through${i}`), 'waited'];

/** Exercises of the trade, lesson by lesson. */
export const EXERCISES: readonly ExerciseKind[] = [
  {
    ...{ id: 'paper-weight', lesson: 'paper', sum: 'paper-weight', within: 0.01 },
    draw: (draw) => ({ ...sheet(draw), gsm: grams(draw), sheets: draw.from(500, 20_000, 250) }),
    wrong: [['kgPerThousand', 'width * height * gsm / 1000', 'millimetres-are-no-metres']],
  },
  {
    ...{ id: 'basis-weight', lesson: 'paper', sum: 'basis-to-gsm', within: 0.01 },
    draw: (draw) => ({ pounds: draw.from(20, 130), grade: draw.pick(['text', 'cover', 'bond', 'index']) }),
    wrong: [['gsm', 'pounds * 453.59237 / (width * 0.0254 * height * 0.0254)', 'ream-is-500']],
  },
  {
    ...{ id: 'caliper', lesson: 'paper', sum: 'caliper', within: 0.01 },
    draw: (draw) => ({ gsm: grams(draw), bulk: draw.from(0.75, 2, 0.05) }),
    wrong: [
      ['caliper', 'gsm / bulk', 'bulk-divides'],
      ['pagesPerInch', '25400 / caliper', 'leaf-is-two-pages'],
    ],
  },
  {
    ...{ id: 'roll-length', lesson: 'paper', sum: 'roll', within: 0.01 },
    draw: (draw) => ({
      ...{ outer: draw.from(600, 1_250, 10), core: draw.pick([70, 76, 150]), caliper: calipers(draw) },
      ...{ width: draw.from(500, 1_600, 10), gsm: grams(draw), speed: draw.from(100, 600, 10) },
    }),
    wrong: [
      ['length', 'pi * (outer * outer - core * core) / caliper', 'diameter-for-radius'],
      ['length', 'pi * outer * outer / (4 * caliper)', 'core-is-paper'],
      ['length', 'pi * (outer - core) * (outer - core) / (4 * caliper)', 'ring-by-difference'],
      ['kg', 'length * width * gsm / 1000', 'millimetres-are-no-metres'],
    ],
  },
  {
    ...{ id: 'roll-to-sheets', lesson: 'paper', sum: 'roll-to-sheets', within: 0 },
    draw: (draw) => ({
      ...{ length: draw.from(3_000, 12_000, 100), width: draw.from(900, 1_600, 10), trim: draw.from(3, 12) },
      ...{ across: draw.from(300, 700, 10), cut: draw.from(400, 1_000, 10), wanted: draw.from(5_000, 90_000, 500) },
    }),
    wrong: [
      ['lanes', 'floor(width / across)', 'no-trim'],
      ['rolls', 'floor(metres / length)', 'rounded-down'],
    ],
  },
  {
    ...{ id: 'splices', lesson: 'paper', sum: 'splices', within: 0 },
    draw: (draw) => ({
      ...{ metres: draw.from(20_000, 200_000, 500), roll: draw.from(5_000, 16_000, 100), lost: draw.from(5, 60, 5) },
    }),
    wrong: [
      ['rolls', 'floor(metres / roll)', 'rounded-down'],
      ['splices', 'rolls', 'splice-for-each-roll'],
    ],
  },
  {
    ...{ id: 'n-up', lesson: 'layout', sum: 'n-up', rows: ['out', 'used', 'sheets'], within: 0 },
    draw: (draw) => ({
      ...{ ...sheet(draw), ...page(draw), margin: draw.from(5, 15), bleed: draw.pick([0, 3, 5]) },
      ...{ gutter: 0, wanted: draw.from(1_000, 60_000, 500) },
    }),
    wrong: [['sheets', 'floor(wanted / out)', 'rounded-down']],
  },
  {
    ...{ id: 'pages-on-sheet', lesson: 'layout', sum: 'pages-on-sheet', within: 0 },
    draw: (draw) => ({
      ...{ ...page(draw), ...sheet(draw) },
      ...{ copies: draw.from(500, 20_000, 250), pages: 4 * draw.from(4, 60) },
    }),
    wrong: [
      ['perSheet', 'side', 'two-sides'],
      ['sheets', 'floor(copies * sheetsPerCopy)', 'rounded-down'],
    ],
  },
  {
    ...{ id: 'sections', lesson: 'layout', sum: 'signatures', within: 0 },
    draw: (draw) => ({ pages: 2 * draw.from(20, 260), section: draw.pick(['8', '16', '32']) }),
    wrong: [['full', 'ceil(pages / size)', 'part-counts-as-full']],
  },
  {
    ...{ id: 'creep', lesson: 'layout', sum: 'creep', within: 0.01 },
    draw: (draw) => ({
      pages: 4 * draw.from(4, 30),
      caliper: calipers(draw),
      method: draw.pick(['thumb', 'round', 'square']),
    }),
    wrong: [['creep', 'sheets * factor * caliper / 1000', 'outermost-stands-still']],
  },
  {
    ...{ id: 'mix', lesson: 'ink', sum: 'mix', within: 0.01 },
    draw: (draw) => ({
      kg: draw.from(2, 40, 0.5),
      parts: `Yellow ${draw.from(10, 80)}, Red ${draw.from(10, 60)}, White ${draw.from(5, 40)}`,
    }),
    wrong: [0, 1, 2].map((i) => [`kg${i}`, 'wanted * part / 100', 'parts-of-hundred'] as const),
  },
  {
    ...{ id: 'plates', lesson: 'plates', sum: 'plates', within: 0 },
    draw: (draw) => ({
      ...{ forms: draw.from(1, 12), style: draw.pick(['sheetwise', 'work and turn']) },
      ...{ front: draw.from(1, 6), back: draw.from(1, 6), versions: draw.from(1, 5), changing: draw.from(1, 2) },
      ...{ impressions: draw.from(5_000, 400_000, 5_000), life: draw.pick([100_000, 150_000, 200_000]) },
    }),
    wrong: [
      ['each', 'front + back', 'turned-prints-twice'],
      ['each', 'max(front, back)', 'one-side'],
      ['more', 'versions * changing', 'first-version-too'],
      ['sets', 'floor(impressions / life)', 'rounded-down'],
    ],
  },
  {
    ...{ id: 'register', lesson: 'register', sum: 'register-two-marks', within: 0.02 },
    draw: (draw) => ({
      ...{
        apart: draw.from(400, 1_000, 10),
        leftAcross: draw.from(-0.2, 0.2, 0.01),
        leftAround: draw.from(-0.2, 0.2, 0.01),
      },
      ...{ rightAcross: draw.from(-0.2, 0.2, 0.01), rightAround: draw.from(-0.2, 0.2, 0.01) },
    }),
    wrong: [
      ['across', 'left', 'one-mark'],
      ['turn', '(right - left) / apart', 'not-a-metre'],
      ['turn', 'right - left', 'not-a-metre'],
    ],
  },
  {
    ...{ id: 'ink', lesson: 'ink', sum: 'ink', within: 0.02 },
    draw: (draw) => ({
      ...{ ...sheet(draw), impressions: draw.from(1_000, 80_000, 500) },
      ...{ coverage: draw.from(5, 90, 5), film: draw.from(0.8, 2, 0.1) },
    }),
    wrong: [
      ['kg', 'impressions * width / 1000 * height / 1000 * film / 1000', 'coverage-forgotten'],
      ['kg', 'impressions * width / 1000 * height / 1000 * coverage / 100 * film', 'film-for-all'],
    ],
  },
  {
    ...{ id: 'press-sheets', lesson: 'spoilage', sum: 'press-sheets', rows: ['into2', 'into1', 'into0'], within: 0 },
    draw: (draw) => ({
      quantity: draw.from(1_000, 40_000, 250),
      route: [
        `print ${draw.from(50, 250, 10)} ${draw.from(0.5, 3, 0.1)} %`,
        `cut ${draw.from(2, 20)} ${draw.from(0.1, 0.5, 0.1)} % x${draw.pick([2, 4, 8, 16])}`,
        `fold ${draw.from(20, 80, 5)} ${draw.from(0.5, 2, 0.1)} %`,
      ].join(', '),
    }),
    wrong: ['into0', 'into1', 'into2'].flatMap(
      (row) =>
        [
          [row, 'ceil(wanted / each * (1 + running)) + ceil(setup)', 'percent-of-net'],
          [row, 'ceil(wanted / (each * (1 - running)))', 'no-setup'],
          [row, 'ceil((wanted / each + setup) / (1 - running))', 'setup-spoils-too'],
          [row, 'floor(wanted / (each * (1 - running))) + floor(setup)', 'rounded-down'],
        ] as const,
    ),
  },
  {
    ...{ id: 'one-station', lesson: 'spoilage', sum: 'press-sheets', rows: ['into0'], within: 0 },
    draw: (draw) => ({
      quantity: draw.from(1_000, 40_000, 250),
      route: `print ${draw.from(50, 250, 10)} ${draw.from(0.5, 3, 0.1)} %`,
    }),
    wrong: [
      ['into0', 'ceil(wanted * (1 + running)) + ceil(setup)', 'percent-of-net'],
      ['into0', 'ceil(wanted / (1 - running))', 'no-setup'],
      ['into0', 'ceil((wanted + setup) / (1 - running))', 'setup-spoils-too'],
      ['into0', 'floor(wanted / (1 - running)) + floor(setup)', 'rounded-down'],
    ],
  },
  {
    ...{ id: 'overs', lesson: 'spoilage', sum: 'overs', within: 0 },
    draw: (draw) => ({
      quantity: draw.from(1_000, 60_000, 50),
      under: draw.from(0, 5, 0.5),
      over: draw.from(1, 10, 0.5),
    }),
    wrong: [
      ['least', 'floor(quantity * (1 - under / 100))', 'rounded-down'],
      ['most', 'ceil(quantity / (1 - over / 100))', 'percent-of-net'],
    ],
  },
  {
    ...{ id: 'run-time', lesson: 'spoilage', sum: 'run-time', within: 0.01 },
    draw: (draw) => ({
      ...{
        sheets: draw.from(2_000, 60_000, 500),
        speed: draw.from(5_000, 15_000, 500),
        setup: draw.from(0.2, 1.5, 0.1),
      },
      ...{ rate: draw.from(60, 280, 10), efficiency: draw.from(60, 95, 5) },
    }),
    wrong: [
      ['run', 'sheets / speed', 'rated-speed'],
      ['hours', 'run', 'setup-hours-forgotten'],
    ],
  },
  {
    ...{ id: 'break-even', lesson: 'spoilage', sum: 'break-even', within: 0.01 },
    draw: (draw) => ({
      ...{ fixedA: draw.from(50, 300, 10), thousandA: draw.from(60, 120, 5) },
      ...{ fixedB: draw.from(350, 900, 10), thousandB: draw.from(10, 50, 5) },
    }),
    wrong: [['even', '1000 * (fixedB - fixedA) / (thousandA + thousandB)', 'lines-added']],
  },
  {
    ...{ id: 'spine', lesson: 'finishing', sum: 'spine', within: 0.01 },
    draw: (draw) => ({
      pages: 8 * draw.from(8, 80),
      caliper: calipers(draw),
      cover: draw.from(200, 400, 10),
      covers: 2,
    }),
    wrong: [
      ['block', 'pages * caliper / 1000', 'leaf-is-two-pages'],
      ['spine', 'block', 'no-cover'],
      ['spine', 'block + cover / 1000', 'one-cover'],
    ],
  },
  {
    ...{ id: 'case', lesson: 'finishing', sum: 'case', within: 0.005 },
    draw: (draw) => ({
      ...{ width: draw.from(120, 220, 5), height: draw.from(180, 300, 5), pages: 16 * draw.from(8, 40) },
      ...{ caliper: calipers(draw), board: draw.pick([2, 2.5, 3]), square: 3, joint: draw.from(6, 9), turnIn: 15 },
    }),
    wrong: [
      ['block', 'pages * caliper / 1000', 'leaf-is-two-pages'],
      ['boardWidth', 'width + 2 * square', 'joint-forgotten'],
      ['boardWidth', 'width + square', 'joint-forgotten'],
      ['strip', 'block', 'boards-forgotten'],
      ['clothHeight', 'boardHeight', 'turn-in-forgotten'],
    ],
  },
  {
    ...{ id: 'die-force', lesson: 'finishing', sum: 'die-force', within: 0.02 },
    draw: (draw) => ({
      ...{ cut: draw.from(3, 40, 0.5), crease: draw.from(1, 15, 0.5), perCut: draw.from(25, 45, 5) },
      perCrease: draw.from(10, 20, 5),
    }),
    wrong: [['force', 'cut * perCut', 'creases-forgotten']],
  },
  {
    ...{ id: 'cuts', lesson: 'finishing', sum: 'cuts', within: 0 },
    draw: (draw) => ({
      ...{ across: draw.from(2, 6), around: draw.from(2, 8), gutter: draw.pick(['yes', 'no']) },
      ...{ sheets: draw.from(500, 20_000, 250), lift: draw.from(200, 800, 50) },
    }),
    wrong: [
      ['strips', 'across * between', 'one-cut-too-many'],
      ['within', 'around * between', 'one-cut-too-many'],
      ['cuts', 'strips + within', 'trims-forgotten'],
      ['lifts', 'floor(sheets / lift)', 'rounded-down'],
      ['strokes', 'cuts', 'one-lift'],
    ],
  },
  {
    ...{ id: 'box', lesson: 'finishing', sum: 'box', rows: ['kg'], within: 0.01 },
    draw: (draw) => ({
      ...{ width: draw.from(90, 220, 5), height: draw.from(140, 300, 5), thickness: draw.from(2, 20, 0.5) },
      ...{
        mass: draw.from(20, 600, 10),
        pieces: draw.from(10, 60, 5),
        wall: draw.pick([3, 4, 5]),
        ect: draw.from(4, 9, 0.5),
      },
    }),
    wrong: [['kg', 'mass / 1000', 'one-piece']],
  },
  {
    ...{ id: 'two-stations', lesson: 'schedule', sum: 'two-stations', rows: BOTH_ROWS, within: 0 },
    draw: (draw) => ({
      jobs: JOBS.map((job) => `${job} ${draw.from(10, 120, 5)} ${draw.from(10, 120, 5)}`).join(', '),
    }),
    wrong: [1, 2, 3].flatMap(
      (i) =>
        [
          [`through${i}`, 'ready + own', 'second-still-runs'],
          [`through${i}`, 'before + own', 'not-there-yet'],
        ] as const,
    ),
  },
  {
    ...{ id: 'one-machine', lesson: 'schedule', sum: 'one-machine', rows: ONE_ROWS, within: 0 },
    draw: (draw) => ({ jobs: JOBS.map((job) => `${job} ${draw.from(10, 120, 5)} ${draw.from(1, 5)}`).join(', ') }),
    wrong: [['waited', 't0 + t1 + t2 + t3', 'weights-forgotten']],
  },
  {
    ...{ id: 'balance', lesson: 'counting', sum: 'balance', within: 0 },
    draw: (draw) => ({
      ...{ came: draw.from(500, 9_000, 10), each: draw.pick([1, 2, 4, 27]), spoiled: draw.from(3, 90) },
      ...{ samples: draw.from(1, 20), left: draw.from(1, 60) },
    }),
    wrong: [
      ['good', 'could - (spoiled + left) * each', 'samples-forgotten'],
      ['good', 'could - spoiled * each - samples', 'left-over-forgotten'],
    ],
  },
  {
    ...{ id: 'sampling', lesson: 'counting', sum: 'sampling', rows: ['n', 'accept', 'reject'], within: 0 },
    draw: (draw) => ({
      lot: draw.from(60, 30_000, 10),
      aql: draw.pick(['1', '1.5', '2.5', '4']),
      level: 'II',
      severity: 'normal',
    }),
    wrong: [],
  },
  {
    ...{ id: 'number-list', lesson: 'counting', sum: 'number-list', within: 0 },
    draw: (draw) => ({
      first: draw.from(1, 90_000),
      count: draw.from(100, 20_000, 50),
      step: draw.pick([1, 1, 2, 5]),
      digits: 7,
    }),
    wrong: [['last', 'first + count * step', 'first-counts-too']],
  },
];
