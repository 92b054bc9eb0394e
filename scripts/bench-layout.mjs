// The layout part of npm run bench: patterns against general-purpose packers, imposition, blanks, ways, gangs.
import highsLoader from 'highs';
import { pack2D } from 'binpackingjs';
import { MaxRectsPacker } from 'maxrects-packer/dist/maxrects-packer.mjs';

const median = (values) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)];
const time = (work) => {
  const start = performance.now();
  const value = work();
  return { value, ms: performance.now() - start };
};

/** Numbers from a seed, the same at every run (a linear congruence; Numerical Recipes, literature). */
function seeded(seed) {
  let state = seed;
  return (low, high) => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return low + Math.floor((state / 2 ** 32) * (high - low + 1));
  };
}

/** How many of a piece a general-purpose packer puts into one bin. Not bound to cuts from edge to edge. */
function byMaxRects(width, height, w, h, most) {
  const packer = new MaxRectsPacker(width, height, 0, { smart: false, pot: false, square: false, allowRotation: true });
  packer.addArray(Array.from({ length: most }, () => ({ width: w, height: h })));
  return packer.bins[0]?.rects.length ?? 0;
}
function byBinPacking(width, height, w, h, most) {
  const boxes = Array.from({ length: most }, () => ({ width: w, height: h }));
  return pack2D({ bins: [{ width, height }], boxes }).packedBins[0]?.boxes.length ?? 0;
}

function patterns(core, say, ratio) {
  const random = seeded(20261124);
  const cases = Array.from({ length: 1000 }, () => [
    random(300, 1100),
    random(300, 800),
    random(45, 300),
    random(45, 300),
  ]);
  let [worse, better, atBound] = [0, 0, 0];
  const times = [];
  for (const [widthMm, heightMm, pieceWidthMm, pieceHeightMm] of cases) {
    const request = {
      widthMm,
      heightMm,
      pieceWidthMm,
      pieceHeightMm,
      bleedMm: 0,
      gutterMm: 0,
      turns: 'either',
      mirror: 'none',
    };
    const { value, ms } = time(() => core.layPatterns(request));
    times.push(ms);
    const [best] = value.proposals;
    if (best.count === value.bound) atBound += 1;
    const most = Math.floor((widthMm * heightMm) / (pieceWidthMm * pieceHeightMm));
    const others = Math.max(
      ...[byMaxRects, byBinPacking].map((pack) => pack(widthMm, heightMm, pieceWidthMm, pieceHeightMm, most)),
    );
    if (best.count < others) worse += 1;
    if (best.count > others) better += 1;
  }
  say('n-up pattern, median of 1,000 seeded cases', `${median(times).toFixed(3)} ms`, ratio(median(times), 1));
  say('n-up pattern, worst of them', `${Math.max(...times).toFixed(2)} ms`, ratio(Math.max(...times), 50));
  say('  fewer / more than the better of two packers (not guillotine)', `${worse} / ${better}`, 'target 0 fewer');
  say('  proven best by the bound', `${atBound}`, 'of 1,000');
}

function blanks(core, say, ratio) {
  // A round-cornered angle of 200 points: no straight rows suit it.
  const outline = Array.from({ length: 200 }, (_, i) => {
    const a = (2 * Math.PI * i) / 200;
    const r = 60 * (1 + 0.35 * Math.cos(3 * a));
    return { x: r * Math.cos(a), y: r * Math.sin(a) };
  });
  const request = { outline, widthMm: 1010, heightMm: 700, gapMm: 4, turns: 'either' };
  const { value, ms } = time(() => core.layBlanks(request));
  const of = (name) => value.proposals.find(({ arrangement }) => arrangement === name)?.count ?? '-';
  say('interlocked laying of a blank of 200 points', `${ms.toFixed(0)} ms`, ratio(ms, 2000));
  say(
    '  straight / head to tail / interlocked / bound',
    `${of('straight')} / ${of('head-to-tail')} / ${of('interlocked')} / ${value.bound}`,
    '',
  );
}

function ways(core, say, ratio, programme) {
  const { SHIPPED_WORKS: works } = core;
  const [press] = works.machines;
  const presses = Array.from({ length: 12 }, (_, i) => ({ ...press, id: `press-${i}`, name: `Press ${i}` }));
  const [stock] = works.stocks;
  const stocks = Array.from({ length: 40 }, (_, i) => ({
    ...stock,
    id: `stock-${i}`,
    sheets: [{ widthMm: 1020 - i, heightMm: 720 - (i % 5), grain: i % 2 ? 'height' : 'width' }],
    rollWidthsMm: [],
  }));
  const large = { ...works, machines: [...presses, ...works.machines.slice(3)], stocks };
  const sheet = { widthMm: 1020, heightMm: 720, grain: 'width' };
  const components = programme.components.map((c) => ({ ...c, stock: 'stock-0', press: 'press-0', sheet }));
  const runs = Array.from({ length: 5 }, () =>
    time(() => core.findWays({ ...programme, components }, large, { kind: 'text' })),
  );
  const [{ value }] = runs;
  if (!value.ok) throw new Error(JSON.stringify(value.issues));
  const ms = median(runs.map((run) => run.ms));
  say(
    `ways to run: ${value.value.considered} considered (12 presses, 40 stocks), median of 5`,
    `${ms.toFixed(0)} ms`,
    ratio(ms, 250),
  );
}

async function gangs(core, say, ratio) {
  const random = seeded(7);
  const items = Array.from({ length: 20 }, (_, i) => ({
    id: `item-${i}`,
    widthMm: random(6, 20) * 10,
    heightMm: random(5, 15) * 10,
    quantity: random(5, 80) * 100,
    mayTurn: true,
  }));
  const request = { items, widthMm: 1010, heightMm: 700, mostForms: 4, formCost: 190, sheetCost: 0.14 };
  const solver = await highsLoader();
  const solve = async (lp) => {
    const { Columns } = solver.solve(lp, { random_seed: 1, time_limit: 20 });
    return Object.fromEntries(Object.entries(Columns).map(([name, { Primal = 0 }]) => [name, Primal]));
  };
  const start = performance.now();
  const told = [];
  const { answer } = await core.planGang(request, solve, ({ cost }) =>
    told.push({ cost, ms: performance.now() - start }),
  );
  say('gang of 20 items on up to 4 forms: first answer', `${told[0].ms.toFixed(0)} ms`, ratio(told[0].ms, 2000));
  say(
    '  cost first / last / bound / each alone',
    [told[0].cost, answer.cost, answer.bound, answer.alone].map((n) => n.toFixed(0)).join(' / '),
    `${told.length} answers`,
  );
}

export async function benchLayout(core, say, ratio, programme) {
  patterns(core, say, ratio);
  const scheme = core.schemeById('64');
  const times = Array.from({ length: 200 }, () => time(() => core.impose({ ...scheme }, 1, '')).ms);
  say('imposition of 64 pages, median of 200', `${median(times).toFixed(3)} ms`, ratio(median(times), 1));
  blanks(core, say, ratio);
  ways(core, say, ratio, programme);
  await gangs(core, say, ratio);
}
