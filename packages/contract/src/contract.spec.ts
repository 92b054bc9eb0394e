import fs from 'node:fs';
import {
  type FieldPath,
  type Finding,
  type Job,
  ISSUE_CODES,
  OPERATIONS,
  SUMS,
  SUM_EXAMPLES,
  SHIPPED_WORKS,
  plan,
  reckonSum,
  setField,
} from '@druckerei/core';
import {
  type ChangeWords,
  type Endpoint,
  ENDPOINTS,
  EXAMPLES,
  messages,
  changeInWords,
  findingText,
  issueText,
  mendText,
  parseJobFile,
  pathOf,
  reckon,
  sumIssueText,
} from './index.js';

const read = (name: string): string => fs.readFileSync(new URL(`../../../${name}`, import.meta.url), 'utf8');
const trailMap = read('docs/examples/trail-map.json');
const changed = (path: FieldPath, value: unknown): string =>
  JSON.stringify(setField(JSON.parse(trailMap), path, value));
const errorsOf = (text: string): string[] => {
  const parsed = parseJobFile(text);
  return parsed.ok ? [] : parsed.errors.map(({ path, message }) => `${path}: ${message}`);
};

describe('paths of fields', () => {
  it.each([
    [['route', 3, 'running'], 'route[3].running'],
    [['norms', 'spoil.cut.setup'], 'norms["spoil.cut.setup"]'],
    [['due'], 'due'],
  ])('%j is %s', (path, text) => {
    expect(pathOf(path)).toBe(text);
  });
});

describe('changes in words', () => {
  it.each<[string, unknown, unknown, ChangeWords]>([
    ['order.quantity', 10_000, 12_000, { name: 'Order quantity', before: '10,000', after: '12,000' }],
    ['route.fold.running', 0.01, undefined, { name: 'fold, running spoilage', before: '1 %', after: 'none' }],
    [
      'components.map.workStyle',
      'single',
      'perfecting',
      { name: 'map, work style', before: 'single', after: 'perfecting' },
    ],
    ['components.map.front.4', undefined, { name: 'Silver' }, { name: 'map, front', before: 'none', after: 'Silver' }],
    [
      'norms.spoil.cut.running',
      undefined,
      0.03,
      { name: 'Guillotine: running spoilage, in this job', before: 'none', after: '3 %' },
    ],
    ['works.norms.spoil.cut.setup.value', 5, 7, { name: 'Guillotine: set-up', before: '5 units', after: '7 units' }],
    [
      'works.norms.spoil.cut.setup',
      undefined,
      { value: 7 },
      { name: 'Guillotine: set-up', before: 'none', after: '7 units' },
    ],
  ])('%s', (path, before, after, words) => {
    expect(changeInWords({ path, before, after }, SHIPPED_WORKS)).toEqual(words);
  });
});

describe('issue catalogue', () => {
  it('has words for every code and a line in docs/issues.md, and nothing else', () => {
    const codes = [...ISSUE_CODES].sort();
    const documented = [...read('docs/issues.md').matchAll(/^\| `([\w.-]+)` \|/gm)].map(([, code]) => code);
    expect(Object.keys(messages()).sort()).toEqual(codes);
    expect(documented.sort()).toEqual(codes);
  });

  it('has words of its own for every issue that a sum can have, whatever is put into it', () => {
    const typed = [
      undefined,
      '',
      'x 1',
      '0',
      '-1',
      '1e12',
      '3.7',
      'Plan 90 40',
      '123456789012345678901',
      'print 200 150 %',
    ];
    const issues = SUMS.flatMap((sum) =>
      [...typed, 0, -1, 1, 2.5, 7, 120, 5000, 1e9, NaN].flatMap((value) =>
        sum.fields.flatMap(({ id }) => [
          ...reckonSum(sum, { ...SUM_EXAMPLES[sum.id], [id]: value }).issues,
          ...reckonSum(sum, Object.fromEntries(sum.fields.map((field) => [field.id, value]))).issues,
        ]),
      ),
    );
    expect(new Set(issues.map(({ code }) => code)).size).toBeGreaterThan(10);
    expect(issues.filter((issue) => sumIssueText(issue) === issue.code)).toEqual([]);
    expect(issues.map(sumIssueText)).toEqual(issues.map(issueText));
  });

  it('puts values and limits into the words', () => {
    const text = issueText({
      code: 'press.too-few-units',
      severity: 'error',
      path: '',
      params: { component: 'Map', colours: 6, machine: 'B2', units: 4 },
    });
    expect(text).toBe('Map: 6 colours in one pass, but B2 has 4 units.');
  });
});

const ARTWORK_PAGES = { count: 10_000, widthMm: 420, heightMm: 594, bleedMm: 3, boundBleedMm: 3, inks: ['K'] };

describe('examples of the API', () => {
  it.each(Object.entries(EXAMPLES))('%s takes what its example sends', (id, example) => {
    const endpoint: Endpoint | undefined = ENDPOINTS.find((one) => one.id === id);
    expect(endpoint?.body?.safeParse(example).error?.issues ?? []).toEqual([]);
  });
});

it('the job of the examples can be planned on the machines that ship', () => {
  const outcome = plan(EXAMPLES.createJob as Job, SHIPPED_WORKS);
  expect(outcome.ok ? [] : outcome.issues.map(({ code, path }) => `${code} ${path}`)).toEqual([]);
});

describe('what artwork does not fit', () => {
  const finding: Finding = {
    rule: 'artwork-inks',
    name: 'Inks of the artwork',
    reason: 'It has more.',
    weight: 'soft',
    path: 'route[0]',
    step: 'print',
    artwork: { file: 'map.pdf', page: 2, ink: 'Rose' },
  };
  const nameOf = (id: string): string => (id === 'map' ? 'Map' : id);

  it('is told with the ink, the page and the file, and with what is wanted', () => {
    expect(findingText(finding)).toBe('Inks of the artwork (Rose, page 2, map.pdf). It has more.');
    const size: Finding = { ...finding, artwork: { file: 'map.pdf' }, value: 3, limit: 2, unit: 'pages' };
    expect(findingText(size)).toContain('(map.pdf, 3 pages, wanted 2 pages)');
    expect(findingText({ ...size, value: 3.4, limit: 3, unit: 'share' })).toContain('(map.pdf, 340 %, limit 300 %)');
  });

  it('is mended in words of the trade', () => {
    const ink = { kind: 'ink', component: 'map', sides: ['front', 'back'], ink: 'Rose' } as const;
    expect(mendText({ ...ink, prints: true }, nameOf)).toBe('Print “Rose” on the front and back of Map');
    expect(mendText({ ...ink, prints: false }, nameOf)).toBe('Leave “Rose” off the front and back of Map');
    const trim = { kind: 'trim', components: ['map'], widthMm: 410.5, heightMm: 594 } as const;
    expect(mendText(trim, nameOf)).toBe('Make it 410.5 x 594 mm');
  });
});

describe('job file', () => {
  it('reads the shipped examples', () => {
    expect(errorsOf(trailMap)).toEqual([]);
    expect(errorsOf(read('docs/examples/concert-programme.json'))).toEqual([]);
  });

  it.each<[string, FieldPath, unknown, string]>([
    ['a share of 1', ['route', 4, 'running'], 1, 'route[4].running: Running spoilage is a share below 100 %'],
    ['a negative share', ['route', 4, 'running'], -0.1, 'route[4].running: Running spoilage cannot be negative'],
    ['a negative set-up', ['route', 4, 'setup'], -5, 'route[4].setup: Set-up must be at least 0'],
    ['a broken set-up', ['route', 4, 'setup'], 1.5, 'route[4].setup: Set-up must be a whole number'],
    ['yield 0', ['route', 4, 'yield'], 0, 'route[4].yield: Yield must be above 0'],
    ['no quantity', ['order', 'quantity'], undefined, 'order.quantity: Order quantity is missing'],
    [
      'too large a quantity',
      ['order', 'quantity'],
      2e9,
      'order.quantity: Order quantity must be at most 1,000,000,000',
    ],
    ['a word for a number', ['order', 'quantity'], 'many', 'order.quantity: Order quantity must be a number'],
    [
      'an unknown operation',
      ['route', 0, 'operation'],
      'fly',
      `route[0].operation: Operation must be one of: ${OPERATIONS.join(', ')}`,
    ],
    ['an unknown field', ['colour'], 1, ': Unknown field colour'],
    [
      'an id with spaces',
      ['route', 0, 'id'],
      'Print it',
      'route[0].id: Id takes small letters, digits and hyphens, at most 40',
    ],
    ['an empty title', ['title'], ' ', 'title: Title is empty'],
    ['no components', ['components'], [], 'components: Components: at least 1 wanted'],
    [
      'more pages of artwork than are laid beside a job',
      ['artwork'],
      Array.from({ length: 3 }, () => ({ name: 'a.pdf', of: ['map'], pages: [ARTWORK_PAGES] })),
      'artwork: Artwork: at most 20000 pages, of all files together',
    ],
    ['a date that is none', ['due'], 'tomorrow', 'due: Due date is not a valid date'],
  ])('names the field and the limits: %s', (_, path, value, message) => {
    expect(errorsOf(changed(path, value))).toContain(message);
  });

  it('is not thrown by what is no JSON', () => {
    expect(errorsOf('{"format":')[0]).toMatch(/^: This is no JSON/);
    expect(errorsOf('null')).toHaveLength(1);
  });

  it('is published as it is (run npm run schema after a change)', async () => {
    const { jobFileSchema } = await import('./json-schema.js');
    expect(JSON.parse(read('docs/job-file.schema.json'))).toEqual(JSON.parse(JSON.stringify(jobFileSchema())));
  });
});

describe('reckon', () => {
  const sheets = (text: string, school: string) => {
    const result = reckon(text, { school });
    return result.ok ? (result.output as { totals: { pressSheets: unknown } }).totals.pressSheets : result.lines;
  };

  it('prints the worked figures of chapter 6', () => {
    expect(sheets(trailMap, 'step')).toEqual({ map: 5484 });
    expect(sheets(trailMap, 'added')).toEqual({ map: 5475 });
    expect(sheets(trailMap, 'table')).toEqual({ map: 5838 });
    expect(sheets(read('docs/examples/concert-programme.json'), 'added')).toEqual({
      'section-1': 3526,
      'section-2': 653,
      cover: 683,
    });
  });

  it('prints layouts by component and the ranked ways to run', () => {
    const planned = reckon(read('docs/examples/concert-programme.json'));
    const layouts = planned.ok ? (planned.output as { layouts: { component: string; countUp: number }[] }).layouts : [];
    expect(layouts.map(({ component, countUp }) => [component, countUp])).toEqual([
      ['section-1', 1],
      ['section-2', 8],
      ['cover', 8],
    ]);
    const ways = reckon(read('docs/examples/concert-programme.json'), { ways: true, by: 'paper' });
    const targets = ways.ok ? (ways.output as { for: string; ways: { paperKg: number }[]; fellOut: unknown[] }[]) : [];
    expect(targets.map((target) => target.for)).toEqual(['text', 'cover']);
    for (const target of targets) {
      const kilograms = target.ways.map(({ paperKg }) => paperKg);
      expect([...kilograms].sort((a, b) => a - b)).toEqual(kilograms);
    }
    expect(reckon(trailMap, { ways: true, by: 'luck' })).toEqual({
      ok: false,
      lines: ['--by: luck is no order; choose cost, paper, hours, plates'],
    });
  });

  it('prints carriers, inks by unit with kilograms, and register', () => {
    const result = reckon(read('docs/examples/constellation-cards.json'));
    const output = (result.ok ? result.output : {}) as {
      carriers: { id: string; unit?: number }[];
      inks: { unit: number; name: string; side: string; kg: number }[];
      register: { component: string; lines: { kind: string }[]; marks: unknown[] }[];
      totals: { plates: number; inkKg: number };
    };
    expect(output.carriers.map(({ id, unit }) => [id, unit])).toEqual([
      ['card.front.k', 2],
      ['card.front.silver', 1],
      ['card.front.night-blue', 3],
      ['card.back.k', 5],
      ['card.back.night-blue', 6],
      // One die for each of 39 cards on the sheet.
      ...Array.from({ length: 39 }, (_, i) => [`card.star-foil.p${i + 1}`, undefined]),
    ]);
    expect(output.inks.map(({ unit, name, side }) => `${unit} ${name} ${side}`)).toEqual([
      '1 Silver front',
      '2 K front',
      '3 Night blue front',
      '5 K back',
      '6 Night blue back',
    ]);
    // what is drawn by unit is what the job draws (identity)
    expect(output.inks.reduce((sum, { kg }) => sum + kg, 0)).toBeCloseTo(output.totals.inkKg, 9);
    expect(output.register).toHaveLength(1);
    expect(output.register[0]?.lines.map(({ kind }) => kind)).toEqual(['colours', 'sides', 'cut', 'foil']);
    expect(output.register[0]?.marks).toHaveLength(2);
  });

  it('prints the sureness of a job, the same bytes for the same seed', () => {
    const ask = (options: object) =>
      reckon(read('docs/examples/concert-programme.json'), { school: 'sure', ...options });
    const sure = ask({ p: '0.95', seed: '7', draws: '3000' });
    const output = (sure.ok ? sure.output : {}) as {
      quantities: Record<string, number>;
      joint: number;
      cheapest: { quantities: Record<string, number>; total: number };
    };
    expect(Object.keys(output.quantities)).toEqual(['section-1', 'section-2', 'cover']);
    expect(output.joint).toBeGreaterThanOrEqual(0.95);
    expect(output.quantities['section-1']).toBeGreaterThan(3536);
    expect(Object.keys(output.cheapest.quantities)).toEqual(['section-1', 'section-2', 'cover']);
    expect(JSON.stringify(ask({ p: '0.95', seed: '7', draws: '3000' }))).toBe(JSON.stringify(sure));
    expect(ask({ p: '1' })).toEqual({
      ok: false,
      lines: ['p: Sureness is a share above 0 and below 1, like 0.95, not 1.'],
    });
    expect(ask({ seed: 'many' })).toEqual({ ok: false, lines: ['--seed: many is no number'] });
    expect(ask({ draws: '0' })).toEqual({ ok: false, lines: ['--draws: a whole number from 1 to 1000000, not 0'] });
  });

  it('prints the forecast of a running job, and says what is wrong with a count', () => {
    const running = reckon(trailMap, { counts: [{ step: 'cut', good: 9_000 }], seed: '3' });
    expect(running.ok && running.output).toMatchObject({ wanted: 10_000, short: 1, hold: true });
    // two maps out of each of the 5,484 sheets, were none spoiled
    expect(reckon(trailMap, { counts: [{ step: 'cut', good: 99_000 }] })).toEqual({
      ok: false,
      lines: [
        'counts[0].good: cut cannot have 99,000 good: at most 10,968 come of what is planned to go in. Look at the count.',
      ],
    });
  });

  it('prints the layouts of blanks, webs and gangs', () => {
    const layoutOf = (name: string) => {
      const planned = reckon(read(`docs/examples/${name}.json`));
      return planned.ok ? (planned.output as { layouts: Record<string, unknown>[] }).layouts[0] : planned.lines;
    };
    expect(layoutOf('tea-caddy')).toMatchObject({
      countUp: 8,
      arrangement: 'head-to-tail',
      plates: 4,
      die: { gapMm: 4 },
    });
    expect(layoutOf('ferry-timetable')).toMatchObject({
      plates: 8,
      web: { repeatMm: 578, cutOffs: 1, copiesPerCutOff: 1 },
      section: { scheme: '16-chopper', pages: 16 },
    });
    expect(layoutOf('permit-stickers')).toMatchObject({ countUp: 6, web: { copiesPerCutOff: 6 } });
    expect(layoutOf('garden-cards')).toMatchObject({
      countUp: 30,
      items: [{ item: 'orchids', count: 10 }, {}, {}, {}, {}],
    });
    expect(reckon(read('docs/examples/ferry-timetable.json'), { ways: true })).toMatchObject({
      ok: true,
      output: [{ for: 'text', ways: [{ sheet: { widthMm: 870 } }, { sheet: { widthMm: 905 } }] }],
    });
  });

  it('prints the route with what it breaks, and each finishing station under its trade', () => {
    const output = (name: string) => {
      const result = reckon(read(`docs/examples/${name}.json`));
      if (!result.ok) throw new Error(result.lines.join());
      return result.output as Record<
        string,
        { step: string; figures: { id: string; value: number }[]; findings: unknown[] }[]
      >;
    };
    const atlas = output('star-atlas');
    expect(atlas['route']?.every(({ findings }) => findings.length === 0)).toBe(true);
    const board = atlas['binding']
      ?.find(({ step }) => step === 'case')
      ?.figures.find(({ id }) => id.endsWith('boardWidth'));
    expect(board?.value).toBe(206);
    expect(Object.keys(atlas)).toEqual(expect.arrayContaining(['cutting', 'folding', 'binding', 'packing']));
    expect(atlas).not.toHaveProperty('gluing');
    expect(output('season-tickets')).toHaveProperty('numbering');
    const bare = JSON.parse(read('docs/examples/trail-map.json')) as { components: { stock: string }[] };
    bare.components = bare.components.map((one) => ({ ...one, stock: 'gloss-250' }));
    const found = reckon(JSON.stringify(bare));
    const route = found.ok
      ? (found.output as { route: { step: string; findings: { rule: string; text: string }[] }[] }).route
      : [];
    expect(route.find(({ step }) => step === 'fold')?.findings).toMatchObject([
      { rule: 'score-before-fold', text: expect.stringContaining('250 g/m2, limit 170 g/m2') as string },
    ]);
  });

  it('explains one figure', () => {
    const result = reckon(trailMap, { explain: 'total.plates' });
    expect(result).toMatchObject({ ok: true, output: { id: 'total.plates', value: 4 } });
  });

  it('says in one line each what is wrong, with the path', () => {
    expect(reckon('[', {})).toMatchObject({ ok: false });
    expect(reckon(trailMap, { school: 'guess' })).toEqual({
      ok: false,
      lines: ['--school: guess is no school; choose step, added, table, sure'],
    });
    expect(reckon(trailMap, { explain: 'nothing' })).toEqual({
      ok: false,
      lines: ['--explain: the plan has no figure nothing'],
    });
    expect(reckon(changed(['components', 0, 'stock'], 'velvet'))).toEqual({
      ok: false,
      lines: ['components[0].stock: Map: the works has no stock velvet. Choose another.'],
    });
  });
});

describe('texts', () => {
  const job = JSON.parse(trailMap) as Record<string, unknown>;
  const refused = (change: object): string[] => errorsOf(JSON.stringify({ ...job, ...change }));

  it.each([
    ['a line break', 'Map\nof trails'],
    ['a null character', 'Map\u0000'],
    ['an escape', 'Map\u001b[31m'],
    ['half a character', 'Map \ud83d'],
    ['a line separator', 'Map\u2028of trails'],
  ])('in one line are refused with %s, and say why', (_, title) => {
    expect(refused({ title })).toEqual(['title: Title: line breaks and control characters cannot be kept here']);
  });

  it('may hold what people write, and notes their line breaks', () => {
    expect(refused({ title: 'Wanderkarte “Süd” – 日本 😀 <b>&amp;' })).toEqual([]);
    const [step, ...route] = job['route'] as object[];
    expect(refused({ route: [{ ...step, note: 'First\nsecond\tthird' }, ...route] })).toEqual([]);
    expect(refused({ route: [{ ...step, note: 'bell \u0007' }, ...route] })).toHaveLength(1);
  });
});
