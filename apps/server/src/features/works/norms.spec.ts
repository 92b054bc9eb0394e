import type { NormEffect, NormHistoryEntry, Problem } from '@druckerei/contract';
import { type Works, SHIPPED_WORKS, normById } from '@druckerei/core';
import { SEEN, type TestServer, type Visitor, exampleJob, startServer, visitor } from '../../server.fixture.js';

let server: TestServer;
let manager: Visitor;
beforeAll(async () => {
  server = await startServer('norms_test');
  manager = await visitor(server.app, 'manager');
});
afterAll(() => server.stop());

const shipped = (id: string): number => normById(SHIPPED_WORKS, id)?.value ?? NaN;
const CUT = { norm: 'spoil.cut.setup', value: 45, expected: 5 };
const STITCH = { norm: 'spoil.stitch.running', value: 0.04, expected: shipped('spoil.stitch.running') };
const valueOf = async (norm: string): Promise<number | undefined> =>
  ((await manager.call('get', '/api/works')).body as Works).norms[norm]?.value;
const send = (changes: object[], reason = 'counted') =>
  manager.call('put', '/api/norms', { changes, seen: SEEN, reason });

describe('several norms at once', () => {
  it('are set together, each with the reason in the history', async () => {
    expect((await send([CUT, STITCH])).status).toBe(200);
    expect([await valueOf(CUT.norm), await valueOf(STITCH.norm)]).toEqual([45, 0.04]);
    const history = (await manager.call('get', '/api/norms/history')).body as { norm: string; reason: string }[];
    expect(history.slice(0, 2).map(({ norm, reason }) => [norm, reason])).toEqual([
      [STITCH.norm, 'counted'],
      [CUT.norm, 'counted'],
    ]);
    const back = [CUT, STITCH].map(({ norm, value, expected }) => ({ norm, value: expected, expected: value }));
    expect((await send(back, 'taken back')).status).toBe(200);
    expect([await valueOf(CUT.norm), await valueOf(STITCH.norm)]).toEqual([5, STITCH.expected]);
  });

  it('are no longer set where that is asked: what ships is in force, what was told for a machine goes by the house', async () => {
    const told = { norm: 'spoil.fold.running@stock=coated', value: 0.03, expected: shipped('spoil.fold.running') };
    await send([{ ...CUT, value: 45 }]);
    expect((await send([{ ...CUT, value: null, expected: 45 }], 'as shipped')).status).toBe(200);
    expect(await valueOf(CUT.norm)).toBeUndefined();
    const [last] = (await manager.call('get', `/api/norms/history?norm=${CUT.norm}`)).body as NormHistoryEntry[];
    expect(last).toMatchObject({ before: 45, after: 5, reason: 'as shipped' });
    expect((await send([told])).status).toBe(200);
    const house = { norm: 'spoil.fold.running', value: 0.02, expected: told.expected };
    await send([house]);
    expect((await send([{ ...told, value: null, expected: 0.03 }])).status).toBe(200);
    // What stands for it now is the house's, and that is what the next change goes by.
    expect((await send([{ ...told, expected: 0.02 }])).status).toBe(200);
    await send([
      { ...told, value: null, expected: 0.03 },
      { ...house, value: null, expected: 0.02 },
    ]);
  });

  it.each([
    ['a value beyond its limits', { ...STITCH, value: 7 }, 422, /goes from/],
    ['one that somebody else has changed', { ...STITCH, expected: 0.9 }, 409, /you saw 0.9/],
    ['one that is not there', { ...STITCH, norm: 'spoil.nothing' }, 404, /spoil\.nothing/],
  ])('are all refused for %s', async (_, wrong, status, words) => {
    const before = await valueOf(CUT.norm);
    const answer = await send([CUT, wrong]);
    expect(answer.status).toBe(status);
    expect(JSON.stringify(answer.body)).toMatch(words);
    if (status === 422) expect((answer.body as Problem).errors?.[0]?.path).toBe('changes[1].value');
    expect(await valueOf(CUT.norm)).toBe(before);
  });

  it('are refused where one is named twice, none, or more than are read', async () => {
    for (const changes of [[CUT, CUT], [], Array(501).fill(CUT) as object[]])
      expect((await send(changes)).status).toBe(422);
    const viewer = await visitor(server.app, 'viewer');
    expect((await viewer.call('put', '/api/norms', { changes: [CUT], seen: SEEN, reason: '' })).status).toBe(403);
  });
});

describe('what norms would do to the drafts in hand', () => {
  const effect = async (changes: object[], skip = 0) =>
    (await manager.call('post', '/api/norms/effect', { changes, skip })).body as NormEffect;

  it('is told with sheets and cost before and after, equal to what the change then does', async () => {
    const bare = exampleJob('trail-map', { number: 'EFFECT-1' });
    const route = bare.route.map(({ setup: _setup, running: _running, ...step }) => step);
    await manager.call('post', '/api/jobs', { ...bare, route });
    const told = await effect([{ norm: CUT.norm, value: 45 }]);
    const mine = told.changed.find(({ number }) => number === 'EFFECT-1');
    expect(mine?.after?.pressSheets).toBeGreaterThan(mine?.before?.pressSheets ?? Infinity);
    expect(await valueOf(CUT.norm)).not.toBe(45);
    await send([CUT]);
    const again = await effect([{ norm: CUT.norm, value: 45 }]);
    expect(again.changed).toEqual([]);
    await send([{ ...CUT, value: 5, expected: 45 }]);
    const backwards = await effect([{ norm: CUT.norm, value: 45 }]);
    expect(backwards.changed.find(({ number }) => number === 'EFFECT-1')).toEqual(mine);
  });

  it('comes some jobs at a time, every draft once', async () => {
    let planned = 0;
    for (let skip = 0, total = Infinity; skip < total;) {
      const told = await effect([{ norm: CUT.norm, value: 6 }], skip);
      total = told.total;
      skip += told.planned;
      planned += told.planned;
      expect(told.planned).toBeGreaterThan(0);
    }
    const drafts = await manager.call('get', '/api/jobs?status=draft&limit=1');
    expect(planned).toBe(Number(drafts.headers['x-total-count']));
    expect((await effect([{ norm: CUT.norm, value: 6 }], 500)).planned).toBe(0);
  });

  it('is refused as the change would be', async () => {
    const wrong = await manager.call('post', '/api/norms/effect', {
      changes: [{ norm: CUT.norm, value: -1 }],
      skip: 0,
    });
    expect([wrong.status, (wrong.body as Problem).errors?.[0]?.path]).toEqual([422, 'changes[0].value']);
  });
});
