import { type Works, NEW_WORKS, SHIPPED_WORKS, normById, toldSettings } from '@druckerei/core';
import type { DraftApart, ItemVersion, NormEffect, Problem, Revision } from '@druckerei/contract';
import { setUpWorks } from '../../demo/load-demo.js';
import { SEEN, type TestServer, type Visitor, exampleJob, startServer, visitor } from '../../server.fixture.js';

let server: TestServer;
let manager: Visitor;
beforeAll(async () => {
  server = await startServer('works_test');
  manager = await visitor(server.app, 'manager');
});
afterAll(() => server.stop());

const HOUSE = { name: 'Over and under', columns: 4, rows: 1, folds: 'right over left; right under left' };
const PLAIN = {
  id: 'plain-90',
  name: 'Plain 90 g',
  gsm: 90,
  bulk: 1.2,
  coated: false,
  sheets: [],
  rollWidthsMm: [900],
};
const works = async (): Promise<Works> => (await manager.call('get', '/api/works')).body as Works;

describe('folds that the works keeps', () => {
  it('are folded by the simulator first, and then offered with the works and to every job', async () => {
    const kept = await manager.call('post', '/api/works/folds', HOUSE);
    expect([kept.status, (kept.body as Works).folds]).toEqual([201, [HOUSE]]);
    const job = (await manager.call('post', '/api/jobs', exampleJob('trail-map', { number: 'F-1' }))).body as Revision;
    expect(job.works.folds).toEqual([HOUSE]);
    const dropped = await manager.call('delete', `/api/works/folds/${encodeURIComponent(HOUSE.name)}`);
    expect((dropped.body as Works).folds).toBeUndefined();
  });

  it.each([
    ['words that are no fold', { folds: 'roll it up' }, 'folds', /“roll it up” is no fold/],
    ['a fold at a line that is not there', { folds: 'right over left at 9' }, 'folds', /fold 1 .*no line/],
    ['a sheet left open', { folds: 'right over left' }, 'folds', /./],
    ['no pages', { columns: 0 }, 'columns', /./],
    ['no name', { name: ' ' }, 'name', /./],
  ])('refuses %s and says where', async (_, change, path, message) => {
    const response = await manager.call('post', '/api/works/folds', { ...HOUSE, ...change });
    expect(response.status).toBe(422);
    expect((response.body as Problem).errors).toContainEqual({
      path,
      message: expect.stringMatching(message) as string,
    });
    expect((await works()).folds).toBeUndefined();
  });

  it('keeps one of a name, and drops none that is not there', async () => {
    await manager.call('post', '/api/works/folds', HOUSE);
    const again = await manager.call('post', '/api/works/folds', { ...HOUSE, columns: 2, folds: 'right over left' });
    expect([again.status, (await works()).folds]).toEqual([409, [HOUSE]]);
    expect((await manager.call('delete', '/api/works/folds/nothing')).status).toBe(404);
  });
});

describe('machines and stocks', () => {
  const FOLDER = {
    id: 'own-folder',
    name: 'Folder at the window',
    process: 'folder',
    takes: { maxMm: [520, 370], minMm: [100, 70], minCaliperUm: 40, maxCaliperUm: 300 },
  };
  const PAPER = {
    id: 'own-offset-90',
    name: 'Offset of the mill 90 g',
    gsm: 90,
    bulk: 1.25,
    coated: false,
    sheets: [{ widthMm: 740, heightMm: 520, grain: 'width' }],
  };
  const NOTHING = { machines: [], stocks: [], norms: [], reason: '' };
  const send = async (changes: object) => {
    const { itemsMark: seen, mark: normsSeen } = await works();
    return manager.call('put', '/api/works/items', { ...NOTHING, seen, normsSeen, ...changes });
  };
  const history = async (kind: string, id: string) =>
    (await manager.call('get', `/api/works/items/versions?kind=${kind}&id=${id}`)).body as ItemVersion[];

  it('are entered with a price, and planned on; what they were is kept', async () => {
    const price = { norm: `price.stock.${PAPER.id}`, value: 0.98, expected: 1.05 };
    const entered = await send({ machines: [FOLDER], stocks: [PAPER], norms: [price], reason: 'price list' });
    expect([entered.status, (entered.body as Works).norms[price.norm]?.value]).toEqual([200, 0.98]);
    expect((await works()).machines.at(-1)).toEqual(FOLDER);
    expect((await works()).stocks.at(-1)).toEqual(PAPER);
    const job = exampleJob('trail-map', { number: 'OWN-1' });
    const own = { ...job, components: job.components.map((one) => ({ ...one, stock: PAPER.id })) };
    const made = await manager.call('post', '/api/jobs', own);
    expect(made.status).toBe(201);
    const changed = { ...FOLDER, takes: { ...FOLDER.takes, maxMm: [740, 520] } };
    expect((await send({ machines: [changed] })).status).toBe(200);
    expect((await history('machine', FOLDER.id))[0]).toMatchObject({ before: FOLDER, after: changed });
    expect((await history('stock', PAPER.id))[0]).toMatchObject({ before: null, after: PAPER });
    const before = (await history('machine', FOLDER.id)).length;
    expect((await send({ machines: [changed] })).status).toBe(200);
    expect((await history('machine', FOLDER.id)).length).toBe(before);
  });

  it.each<[string, object, string, RegExp]>([
    [
      'margins that leave nothing',
      { machines: [{ ...SHIPPED_WORKS.machines[1], press: { ...SHIPPED_WORKS.machines[1]?.press, gripperMm: 300 } }] },
      'machines[0].press.gripperMm',
      /nothing is left to print on/,
    ],
    ['a paper of no size', { stocks: [{ ...PAPER, sheets: [] }] }, 'stocks[0].sheets', /no sheet and on no roll/],
    [
      "another one's name",
      { stocks: [{ ...PAPER, id: 'other', name: 'silk coated 115 g' }] },
      'stocks[0].name',
      /has this name/,
    ],
    [
      'the name of one that stands behind it',
      { machines: [{ ...SHIPPED_WORKS.machines[0], name: 'B2 four-colour' }] },
      'machines[0].name',
      /has this name/,
    ],
    ['an id that is none', { stocks: [{ ...PAPER, id: '../../x' }] }, 'stocks[0].id', /small letters/],
    [
      'a machine of another kind under its id',
      { machines: [{ ...FOLDER, process: 'trimmer' }] },
      'machines[0].process',
      /is a folder/,
    ],
    ['one twice', { machines: [FOLDER, FOLDER] }, 'machines', /twice/],
    [
      'a price beyond reason',
      { stocks: [PAPER], norms: [{ norm: 'price.stock.own-offset-90', value: -1, expected: 0.98 }] },
      'norms[0].value',
      /goes from/,
    ],
  ])('refuses %s, and nothing is half entered', async (_, changes, path, message) => {
    const before = await works();
    const answer = await send(changes);
    expect(answer.status).toBe(422);
    expect((answer.body as Problem).errors).toContainEqual({ path, message: expect.stringMatching(message) as string });
    expect(await works()).toEqual(before);
  });

  it('are not written over unseen, and who changed one is told', async () => {
    const { itemsMark: seen } = await works();
    expect((await send({ machines: [{ ...FOLDER, name: 'Folder at the door' }] })).status).toBe(200);
    const late = await send({ machines: [{ ...FOLDER, name: 'Folder at the wall' }], seen });
    expect([late.status, (late.body as Problem).title]).toEqual([409, 'Production manager has changed this meanwhile']);
    expect((await send({ machines: [{ ...FOLDER, name: 'Folder at the wall' }] })).status).toBe(200);
  });

  it('tell what they would do to open jobs before they are entered', async () => {
    const press = SHIPPED_WORKS.machines.find(({ id }) => id === 'b1-perfector');
    const small = { ...press, press: { ...press?.press, maxSheetMm: [700, 500], minSheetMm: [400, 280] } };
    const told = (await manager.call('post', '/api/works/items/effect', { machines: [small], stocks: [], skip: 0 }))
      .body as NormEffect;
    expect(told.changed.some(({ before, after }) => before !== null && after === null)).toBe(true);
    expect((await works()).machines[0]).toEqual(press);
  });

  it('that are retired stay, and a job that is planned on one is told', async () => {
    const folder = (await works()).machines.find(({ id }) => id === 'own-folder');
    expect((await send({ machines: [{ ...folder, retired: true }] })).status).toBe(200);
    expect((await works()).machines.find(({ id }) => id === 'own-folder')?.retired).toBe(true);
  });

  it('five thousand papers of a price list come in one go', async () => {
    const stocks = Array.from({ length: 5_000 }, (_, i) => ({ ...PAPER, id: `mill-${i}`, name: `Mill ${i}` }));
    const norms = stocks.map(({ id }) => ({ norm: `price.stock.${id}`, value: 1.1, expected: 1.05 }));
    expect((await send({ stocks, norms, reason: 'list of the mill' })).status).toBe(200);
    expect((await works()).stocks.length).toBeGreaterThan(5_000);
    await server.owner.pool.query(
      "DELETE FROM works_item WHERE id LIKE 'mill-%'; DELETE FROM norm WHERE id LIKE 'price.stock.mill-%'",
    );
  });
});

describe('inks and supplies', () => {
  const BLUE = { id: 'night-blue', name: 'Night blue', kind: 'mixed', cleared: ['food'] };
  const COLD = { id: 'cold-1', name: 'Dispersion 1', supply: 'glue', cleared: ['toy'] };
  const BASE = { machines: [], stocks: [], norms: [], reason: '', normsSeen: SEEN };
  const send = (body: object) => manager.call('put', '/api/works/items', { ...BASE, seen: SEEN, ...body });

  it('are entered one by one, go with the works to every job, and keep what they were', async () => {
    expect((await send({ inks: [BLUE], supplies: [COLD] })).status).toBe(200);
    const now = await works();
    expect([now.inks?.at(-1), now.supplies?.at(-1)]).toEqual([BLUE, COLD]);
    // Those that ship were there before, in their order.
    expect(now.inks?.slice(0, 4).map(({ id }) => id)).toEqual(['k', 'c', 'm', 'y']);
    const retired = { ...BLUE, drying: 'uv', retired: true };
    expect((await send({ inks: [retired] })).status).toBe(200);
    const versions = (await manager.call('get', '/api/works/items/versions?kind=ink&id=night-blue'))
      .body as ItemVersion[];
    expect(versions.map(({ before, after }) => [before, after])).toEqual([
      [BLUE, retired],
      [null, BLUE],
    ]);
    const job = (await manager.call('post', '/api/jobs', exampleJob('trail-map', { number: 'F-3' }))).body as Revision;
    expect(job.works.inks?.at(-1)).toEqual(retired);
  });

  it.each([
    ['an ink of no kind', { inks: [{ ...BLUE, kind: 'odd' }] }, 'inks[0].kind'],
    ['a recipe of 80 parts', { inks: [{ ...BLUE, recipe: [{ ink: 'Base', parts: 80 }] }] }, 'inks[0].recipe'],
    ['no film at all', { inks: [{ ...BLUE, filmGsm: 0 }] }, 'inks[0].filmGsm'],
    ['the name of another ink', { inks: [{ ...BLUE, id: 'other', name: ' k ' }] }, 'inks[0].name'],
    ['a supply that nothing uses up', { supplies: [{ ...COLD, supply: 'honey' }] }, 'supplies[0].supply'],
    ['a contact that is none', { supplies: [{ ...COLD, cleared: ['rain'] }] }, 'supplies[0].cleared[0]'],
    ['one named twice', { supplies: [COLD, COLD] }, 'supplies'],
  ])('refuse %s, and nothing is entered', async (_, change, path) => {
    const before = await works();
    const refused = await send({ ...change, stocks: [PLAIN] });
    expect(refused.status).toBe(422);
    expect((refused.body as Problem).errors?.map((one) => one.path)).toContain(path);
    expect(await works()).toEqual(before);
  });

  it('are not written over unseen', async () => {
    const seen = (await works()).itemsMark ?? 0;
    expect((await send({ supplies: [{ ...COLD, name: 'Dispersion 2' }], seen })).status).toBe(200);
    const refused = await send({ supplies: [{ ...COLD, name: 'Dispersion 3' }], seen });
    expect([refused.status, (await works()).supplies?.at(-1)?.name]).toEqual([409, 'Dispersion 2']);
  });
});

describe('a works that starts', () => {
  it('of its own has hands and inks, and keeps what it has told', async () => {
    await server.owner.pool.query(
      'BEGIN; CREATE TABLE kept AS SELECT * FROM works_item; CREATE TABLE kept_works AS SELECT * FROM works; DELETE FROM works_item; DELETE FROM works; COMMIT',
    );
    await setUpWorks(server.database, NEW_WORKS);
    const { machines, stocks, inks } = await works();
    expect([machines.map(({ id }) => id), stocks, inks?.length]).toEqual([['hand-bench'], [], 4]);
    await setUpWorks(server.database, NEW_WORKS);
    expect((await works()).machines).toEqual(machines);
    await server.owner.pool.query(
      'BEGIN; DELETE FROM works_item; DELETE FROM works; INSERT INTO works (body) SELECT body FROM kept_works; INSERT INTO works_item OVERRIDING SYSTEM VALUE SELECT * FROM kept; DROP TABLE kept; DROP TABLE kept_works; COMMIT',
    );
  });

  it('with the demo has what ships today, whatever began it, and what was made of it', async () => {
    await server.owner.pool.query("DELETE FROM works_item WHERE id = 'envelope-web'");
    await setUpWorks(server.database);
    const { machines } = await works();
    expect(machines.map(({ id }) => id)).toEqual(expect.arrayContaining(SHIPPED_WORKS.machines.map(({ id }) => id)));
    expect(machines.find(({ id }) => id === 'own-folder')?.name).toBe('Folder at the wall');
  });
});

describe('two people at one norm', () => {
  const NORM = 'spoil.rivet.running';
  const change = (body: object) => manager.call('put', `/api/norms/${NORM}`, { reason: '', seen: SEEN, ...body });

  it('that nobody has changed before: exactly one wins, every time', async () => {
    let stands = 0.005;
    for (let round = 0; round < 10; round++) {
      const seen = (await works()).mark;
      const [a, b] = [stands + 0.001, stands + 0.002];
      const answers = await Promise.all([a, b].map((value) => change({ value, expected: stands, seen })));
      expect(answers.map(({ status }) => status).sort()).toEqual([200, 409]);
      stands = (await works()).norms[NORM]?.value ?? NaN;
      expect([a, b]).toContain(stands);
      expect(JSON.stringify(answers.find(({ status }) => status === 409)?.body)).toContain(`is ${stands} now`);
    }
  });

  it('that was changed to and fro in between is told, though its value is what it was', async () => {
    const before = await works();
    const value = before.norms[NORM]?.value ?? NaN;
    await change({ value: 0.03, expected: value });
    await change({ value, expected: 0.03 });
    expect((await change({ value: 0.04, expected: value, seen: before.mark })).status).toBe(409);
    expect((await change({ value: 0.04, expected: value, seen: (await works()).mark })).status).toBe(200);
  });
});

describe('what the works says of itself', () => {
  const settings = async () => {
    return Object.fromEntries(toldSettings(await works()));
  };
  const change = async (to: object, seen?: object) =>
    manager.call('put', '/api/works/settings', {
      settings: { ...(await settings()), ...to },
      seen: seen ?? (await settings()),
    });

  it('is set by a manager, kept over a start, told to everybody who signs in, with who changed what', async () => {
    const mine = {
      name: 'Mill at the Weir',
      place: 'Haldenbruck',
      currency: 'SEK',
      locale: 'sv-SE',
      timeZone: 'Europe/Stockholm',
      measures: 'inch-pound',
      ticketWithout: 'gates,boxes',
    };
    const answer = await change(mine);
    expect([answer.status, answer.body as Works]).toMatchObject([200, mine]);
    await setUpWorks(server.database);
    expect(await works()).toMatchObject(mine);
    const viewer = await visitor(server.app, 'viewer');
    const session = (await viewer.call('get', '/api/session')).body as { account: object };
    expect(session.account).toMatchObject({
      locale: null,
      worksLocale: 'sv-SE',
      worksMeasures: 'inch-pound',
    });
    const history = (await manager.call('get', '/api/changes?kind=works')).body as { subject: string; after: string }[];
    expect(history.find(({ subject }) => subject === 'currency')).toMatchObject({
      before: 'EUR',
      after: 'SEK',
      by: 'Production manager',
    });
    expect((await viewer.call('put', '/api/works/settings', { settings: mine, seen: mine })).status).toBe(403);
  });

  it.each([
    [{ currency: 'XQZ' }, 'settings.currency', /no currency/],
    [{ locale: 'not a tag' }, 'settings.locale', /like en-GB/],
    [{ timeZone: 'Mars/Olympus' }, 'settings.timeZone', /like Europe/],
    [{ numberPattern: 'HB-{yy}' }, 'settings.numberPattern', /running number is missing/],
    [{ name: ' ' }, 'settings.name', /empty/],
    [{ measures: 'cubits' }, 'settings.measures', /inch-pound/],
    [{ ticketWithout: 'gates,cautions' }, 'settings.ticketWithout', /they have stream, material/],
  ])('%j is refused at %s, and nothing changes', async (wrong, path, message) => {
    const before = await settings();
    const answer = await change(wrong);
    expect(answer.status).toBe(422);
    expect((answer.body as Problem).errors).toContainEqual({ path, message: expect.stringMatching(message) as string });
    expect(await settings()).toEqual(before);
  });

  it('is not written over unseen', async () => {
    const seen = await settings();
    expect((await change({ place: 'Upper town' }, seen)).status).toBe(200);
    const late = await change({ place: 'Lower town' }, seen);
    expect([late.status, (late.body as Problem).detail]).toEqual([
      409,
      expect.stringMatching(/place is “Upper town” now/),
    ]);
    expect((await works()).place).toBe('Upper town');
  });

  it('numbers the next job, by its pattern or after the last', async () => {
    const next = async () => ((await manager.call('get', '/api/job-numbers/next')).body as { number: string }).number;
    await change({ numberPattern: 'W-###' });
    expect(await next()).toBe('W-001');
    await manager.call('post', '/api/jobs', exampleJob('trail-map', { number: 'W-041' }));
    expect(await next()).toBe('W-042');
    await change({ numberPattern: undefined });
    expect(await next()).toBe('W-042');
    await manager.call('post', '/api/jobs', exampleJob('trail-map', { number: 'Z9' }));
    expect(await next()).toBe('Z10');
  });

  it('lets each person choose how dates are written for them', async () => {
    const viewer = await visitor(server.app, 'viewer');
    const answer = await viewer.call('put', '/api/session/settings', { locale: 'de-DE' });
    expect((answer.body as { account: object }).account).toMatchObject({ locale: 'de-DE' });
    expect((await viewer.call('get', '/api/session')).body).toMatchObject({ account: { locale: 'de-DE' } });
    expect((await viewer.call('put', '/api/session/settings', { locale: 'x' })).status).toBe(422);
  });
});

describe('the works that somebody holds already', () => {
  const mark = async (who: Visitor): Promise<string> => String((await who.call('get', '/api/works')).headers['etag']);
  const asked = (who: Visitor, held: string) => who.call('get', '/api/works').set('If-None-Match', held);

  it('is not sent again until something of it changes: a norm, a paper, what a supplier asks', async () => {
    let held = await mark(manager);
    const [same, other] = [await asked(manager, `"old", W/${held}`), await asked(manager, '"old"')];
    expect([same.status, same.text, other.status]).toEqual([304, '', 200]);
    const stock = SHIPPED_WORKS.stocks[0];
    const changes: [Parameters<Visitor['call']>[0], string, object][] = [
      [
        'put',
        '/api/norms/price.ink',
        { value: 19.5, expected: normById(SHIPPED_WORKS, 'price.ink')?.value, reason: '', seen: SEEN },
      ],
      [
        'put',
        '/api/works/items',
        { stocks: [{ ...stock, name: 'Renamed' }], machines: [], norms: [], reason: '', seen: SEEN, normsSeen: SEEN },
      ],
      [
        'post',
        '/api/suppliers',
        { name: 'Mill of marks', prices: [{ item: `paper/${stock?.id}`, price: 90, per: 100, measure: 'kg' }] },
      ],
    ];
    for (const [method, path, body] of changes) {
      expect((await manager.call(method, path, body)).status).toBeLessThan(300);
      const after = await mark(manager);
      expect([path, (await asked(manager, held)).status, after === held]).toEqual([path, 200, false]);
      expect((await asked(manager, after)).status).toBe(304);
      held = after;
    }
  });

  it('is left out of a draft where that is asked for, and of nothing else', async () => {
    const { id } = (await manager.call('post', '/api/jobs', exampleJob('trail-map', { number: 'F-2' })))
      .body as Revision;
    const [whole, apart] = [
      (await manager.call('get', `/api/jobs/${id}`)).body as Revision,
      (await manager.call('get', `/api/jobs/${id}?works=apart`)).body as DraftApart,
    ];
    expect({ ...apart, works: whole.works }).toEqual(whole);
    expect(apart.works).toBeNull();
    expect((await manager.call('get', `/api/jobs/${id}?works=without`)).status).toBe(400);
  });
});
