import { type Job, type RoomEvent, offerPrice, plan } from '@druckerei/core';
import type {
  CustomerRow,
  EnteredCustomers,
  KeptCarrier,
  KeptCustomer,
  KeptOrder,
  Needs,
  Offer,
  PastJob,
  Problem,
  Revision,
} from '@druckerei/contract';
import { exampleJob, recordOf, startServer, type TestServer, type Visitor, visitor } from '../../server.fixture.js';

let server: TestServer;
let manager: Visitor;
beforeAll(async () => {
  server = await startServer('customers_test');
  manager = await visitor(server.app, 'manager');
});
afterAll(() => server.stop());

const asked = async <T>(...call: Parameters<Visitor['call']>): Promise<T> => (await manager.call(...call)).body as T;
const find = async (search: string): Promise<CustomerRow[]> =>
  asked('get', `/api/customers?search=${encodeURIComponent(search)}`);
const idOf = async (name: string): Promise<number> => (await find(name))[0]?.id ?? 0;

describe('customers', () => {
  it('are found by name, number and place, with the jobs that name them', async () => {
    const [garden] = await find('seed HOUSE');
    expect(garden).toMatchObject({ name: 'Lichtmoor Botanic Garden', reference: 'C-104', places: 2, jobs: 4 });
    expect(await find('c-088')).toHaveLength(1);
    expect(await find('%')).toEqual([]);
    const page = await manager.call('get', '/api/customers?limit=3&skip=1');
    expect([(page.body as CustomerRow[]).length, page.headers['x-total-count']]).toEqual([3, '8']);
  });

  it('keep the name that older jobs have when they are renamed, and refuse a name of another', async () => {
    const id = await idOf('Wendelstieg');
    const { version, customer } = await asked<KeptCustomer>('get', `/api/customers/${id}`);
    const renamed = { ...customer, name: 'Wendelstieg Walks' };
    const kept = await asked<KeptCustomer>('put', `/api/customers/${id}`, { version, customer: renamed });
    expect(kept.customer.also).toEqual(['Wendelstieg Guides']);
    expect((await asked<PastJob[]>('get', `/api/customers/${id}/jobs`)).map(({ number }) => number)).toEqual([
      'HB-26-0449',
    ]);
    const late = await manager.call('put', `/api/customers/${id}`, { version, customer: renamed });
    expect(late.status).toBe(409);
    const taken = await manager.call('post', '/api/customers', { name: 'wendelstieg guides' });
    expect(taken.status).toBe(409);
    expect((taken.body as Problem).errors?.[0]?.message).toContain('is a name of Wendelstieg Walks');
    const same = await manager.call('post', '/api/customers', { name: 'New', also: ['GREYWATER FERRY'] });
    expect((same.body as Problem).errors?.[0]?.path).toBe('also[0]');
  });

  it('are refused with a weight, a place or a policy that cannot be', async () => {
    for (const wrong of [
      { name: '' },
      { name: 'X', weight: 0 },
      { name: 'X', places: [{ name: '' }] },
      { name: 'X', policy: { kind: 'percent', under: 101, over: 0 } },
      { name: 'X', locale: 'nowhere' },
    ])
      expect((await manager.call('post', '/api/customers', wrong)).status).toBe(422);
  });

  it('come out of a list, all of them or none where names are taken', async () => {
    const list = (...names: readonly string[]) =>
      manager.call('post', '/api/customers/list', { customers: names.map((name) => ({ name })) });
    const before = (await find('Listed')).length;
    const refused = await list('Listed one', 'LICHTMOOR botanic garden', 'Listed two', 'listed ONE');
    expect([refused.status, (refused.body as Problem).errors?.map(({ path }) => path)]).toEqual([
      409,
      ['customers[1].name', 'customers[3].name'],
    ]);
    expect((refused.body as Problem).errors?.[0]?.message).toContain('is a name of Lichtmoor Botanic Garden');
    expect(await find('Listed')).toHaveLength(before);
    const entered = await list('Listed one', 'Listed two');
    expect([entered.status, (entered.body as EnteredCustomers).ids.length]).toEqual([201, 2]);
    expect(await find('Listed')).toHaveLength(before + 2);
    expect((await list()).status).toBe(422);
    const wrong = await manager.call('post', '/api/customers/list', { customers: [{ name: 'A' }, { name: '' }] });
    expect([wrong.status, (wrong.body as Problem).errors?.[0]?.path]).toEqual([422, 'customers[1].name']);
    const [one, two] = await Promise.all([list('Listed at once'), list('Listed at once')]);
    expect([one.status, two.status].sort((a, b) => a - b)).toEqual([201, 409]);
  });

  it('are told which field is meant where a place has no name', async () => {
    const answer = await manager.call('post', '/api/customers', { name: 'X', places: [{ name: '' }] });
    expect((answer.body as Problem).errors).toEqual([
      { path: 'places[0].name', message: 'Name: every place wants a name' },
    ]);
  });

  it('say of each job what became of it: counts that stand, kept carriers, what was taken back', async () => {
    const jobs = await asked<PastJob[]>('get', `/api/customers/${await idOf('Fernhollow')}/jobs`);
    const programme = jobs.find(({ number }) => number === 'HB-2042');
    expect(programme).toMatchObject({ revision: 1, released: null, status: 'draft', counted: null });
    const records = (await asked<{ records: { event: { kind: string } }[] }>('get', `/api/jobs/${programme?.id}/room`))
      .records;
    const stops = records.filter(({ event }) => ['trial', 'take-back', 'reader-stop'].includes(event.kind)).length;
    expect(programme?.stops).toBe(stops);
  });

  it('say what is kept of their jobs, and of nobody else’s', async () => {
    const { rows } = await server.database.pool.query<{ id: number; customer: string; title: string }>(
      'SELECT id, customer, title FROM job',
    );
    const cards = rows.find(({ title }) => title === 'Constellation cards')?.id ?? 0;
    const carrier = {
      id: 'card.back.k',
      name: 'Back, K',
      kind: 'plate',
      ink: 'K',
      owner: 'house',
      life: 1e6,
      used: 10,
    };
    const kept: RoomEvent = { kind: 'carrier', carrier: carrier.id, state: 'kept', place: 'Rack 2' };
    await recordOf(server, cards, kept, { key: 'plate/back', note: carrier });
    const all = await asked<KeptCarrier[]>('get', '/api/carriers');
    const customers = await asked<CustomerRow[]>('get', '/api/customers?limit=500');
    let told = 0;
    for (const { id, name } of customers) {
      const kept = await asked<KeptCarrier[]>('get', `/api/customers/${id}/carriers`);
      const own = rows.filter(({ customer }) => customer === name).map((job) => job.id);
      expect(kept).toEqual(all.filter(({ jobId }) => own.includes(jobId)));
      told += kept.length;
    }
    expect([told, all.length]).toEqual([1, 1]);
  });
});

describe('what was counted of a job', () => {
  const record = (job: number, event: RoomEvent): Promise<number> => recordOf(server, job, event);
  it('is what its last station has said last, until that is taken back; its needs are there again then', async () => {
    const garden = await idOf('Lichtmoor');
    const map = async (): Promise<PastJob> => {
      const jobs = await asked<PastJob[]>('get', `/api/customers/${garden}/jobs`);
      const found = jobs.find(({ number }) => number === 'HB-2041');
      if (!found) throw new Error('no map');
      return found;
    };
    const wanted = async (): Promise<boolean> =>
      (await asked<Needs>('get', '/api/needs')).jobs.some(({ number }) => number === 'HB-2041');
    const { id } = await map();
    await record(id, { kind: 'count', step: 'print', good: 5_300 });
    expect((await map()).counted).toBeNull();
    await record(id, { kind: 'count', step: 'box', good: 9_000 });
    const last = await record(id, { kind: 'count', step: 'box', good: 10_200 });
    expect([(await map()).counted, await wanted()]).toEqual([10_200, false]);
    const added = await record(id, { kind: 'good', step: 'box', count: 50 });
    expect((await map()).counted).toBe(10_250);
    await record(id, { kind: 'strike', record: added, why: 'counted twice' });
    await record(id, { kind: 'take-back', record: last });
    expect(await map()).toMatchObject({ counted: 9_000, stops: 1 });
    expect(await wanted()).toBe(true);
  });
});

describe('an order', () => {
  it('holds several jobs of its customer, each of one order', async () => {
    const garden = await idOf('Lichtmoor');
    const [spring] = await asked<KeptOrder[]>('get', `/api/customers/${garden}/orders`);
    expect(spring?.order).toMatchObject({ number: 'A-26-052', place: 'Garden shop' });
    expect(spring?.order.jobs).toHaveLength(3);
    const jobs = await asked<PastJob[]>('get', `/api/customers/${garden}/jobs`);
    expect(jobs.filter(({ order }) => order === 'A-26-052')).toHaveLength(3);
    const taken = spring?.order.jobs[0] ?? 0;
    const again = await manager.call('post', `/api/customers/${garden}/orders`, {
      number: 'A-26-053',
      place: 'Nowhere',
      jobs: [taken, 1, 99_999],
    });
    expect(again.status).toBe(422);
    const messages = new Map((again.body as Problem).errors?.map(({ path, message }) => [path, message]));
    expect(messages.get('jobs[0]')).toContain('is of order A-26-052. Take it out there first.');
    expect(messages.get('jobs[1]')).toContain('is another customer’s');
    expect(messages.get('jobs[2]')).toBe('There is no such job.');
    expect(messages.get('place')).toContain('no place “Nowhere”');
  });

  it('gives a job up to another order once it has been taken out, and is refused out of date', async () => {
    const garden = await idOf('Lichtmoor');
    const [spring] = await asked<KeptOrder[]>('get', `/api/customers/${garden}/orders`);
    if (!spring) throw new Error('no order');
    const [first = 0, ...rest] = spring.order.jobs;
    const change = { version: spring.version, order: { ...spring.order, jobs: rest } };
    expect((await asked<KeptOrder>('put', `/api/orders/${spring.id}`, change)).order.jobs).toEqual(rest);
    expect((await manager.call('put', `/api/orders/${spring.id}`, change)).status).toBe(409);
    const order = { number: 'A-26-054', jobs: [first] };
    expect((await manager.call('post', `/api/customers/${garden}/orders`, order)).status).toBe(201);
    expect((await manager.call('post', `/api/customers/${garden}/orders`, { ...order, jobs: [] })).status).toBe(409);
  });
});

describe('an offer', () => {
  const at = (quantity: number, change: Partial<Job> = {}): Job => {
    const job = exampleJob('trail-map', change);
    return { ...job, order: { ...job.order, quantity } };
  };
  const UNTIL = '2099-12-31';

  it('says at each quantity what the plan costs and the price that earns the margin; the paper says no cost', async () => {
    const jobs = [at(5_000), at(20_000)];
    const offer = await asked<Offer>('post', '/api/offers', { number: 'O-1', margin: 0.25, until: UNTIL, jobs });
    const { works } = await asked<Revision>('get', '/api/jobs/1');
    const costs = jobs.map((job) => {
      const outcome = plan(job, works);
      return outcome.ok ? outcome.value.totals.cost.total : NaN;
    });
    expect(offer.lines).toEqual(
      costs.map((cost, i) => {
        const quantity = [5_000, 20_000][i] ?? 1;
        const { total, perThousand } = offerPrice(cost, 0.25, quantity);
        return { quantity, cost, price: total, perThousand };
      }),
    );
    expect(offer).toMatchObject({ customer: 'Lichtmoor Botanic Garden', currency: 'EUR', state: 'open', job: null });
    expect((await manager.bytes(`/api/offers/${offer.id}/offer.pdf`)).subarray(0, 5).toString()).toBe('%PDF-');
  });

  it('is written in the language of its customer, and stays as it was sent', async () => {
    const { customer, version, id } = await asked<KeptCustomer>('post', '/api/customers', {
      name: 'Fernhollow Press',
      also: ['Old Fernhollow'],
      locale: 'de-DE',
    });
    const jobs = [at(5_000, { customer: 'old fernhollow' })];
    const offer = await asked<Offer>('post', '/api/offers', { number: 'O-DE', margin: 0.25, until: UNTIL, jobs });
    const title = async () => (await manager.bytes(`/api/offers/${offer.id}/offer.pdf`)).toString('latin1');
    expect(await title()).toContain('Angebot O-DE');
    const change = { version, customer: { ...customer, locale: 'en-GB' } };
    expect((await manager.call('put', `/api/customers/${id}`, change)).status).toBe(200);
    expect(await title()).toContain('Angebot O-DE');
    const again = await asked<Offer>('post', '/api/offers', { number: 'O-EN', margin: 0.25, until: UNTIL, jobs });
    expect((await manager.bytes(`/api/offers/${again.id}/offer.pdf`)).toString('latin1')).toContain('Offer O-EN');
  });

  it('becomes a job as it was costed, once', async () => {
    const offer = await asked<Offer>('post', '/api/offers', {
      number: 'O-2',
      margin: 0,
      until: UNTIL,
      jobs: [at(5_000), at(7_500)],
    });
    const take = { version: offer.version, line: 1, number: 'HB-O-2', due: '2027-03-01' };
    const [one, other] = await Promise.all(
      [take, { ...take, number: 'HB-O-3' }].map((body) => manager.call('post', `/api/offers/${offer.id}/job`, body)),
    );
    expect([one?.status, other?.status].sort()).toEqual([201, 409]);
    const taken = (await asked<Offer[]>('get', '/api/offers?search=o-2'))[0];
    const { job } = await asked<Revision>('get', `/api/jobs/${taken?.job}`);
    expect(job).toMatchObject({ due: '2027-03-01', order: { quantity: 7_500 } });
    const declined = await manager.call('put', `/api/offers/${offer.id}`, { version: 2, state: 'declined' });
    expect(declined.status).toBe(409);
  });

  it.each<[string, object, string]>([
    ['to two customers', { jobs: [at(5_000), at(6_000, { customer: 'Somebody else' })] }, 'jobs[1].customer'],
    ['of one quantity twice', { jobs: [at(5_000), at(5_000)] }, 'jobs[1].order.quantity'],
    ['that has ended', { until: '2020-01-01' }, 'until'],
    ['with all of the price earned', { margin: 1 }, 'margin'],
    ['that cannot be planned', { jobs: [at(5_000, { route: [] })] }, 'jobs[0]'],
  ])('%s is refused', async (_, change, path) => {
    const body = { number: 'O-9', margin: 0.2, until: UNTIL, jobs: [at(5_000)], ...change };
    const answer = await manager.call('post', '/api/offers', body);
    expect(answer.status).toBe(422);
    expect((answer.body as Problem).errors?.[0]?.path).toMatch(new RegExp(`^${path.replace(/[[\].]/g, '\\$&')}`));
  });

  it('is declined and taken up again', async () => {
    const [offer] = await asked<Offer[]>('get', '/api/offers?search=O-26-018');
    const declined = await asked<Offer>('put', `/api/offers/${offer?.id}`, {
      version: offer?.version,
      state: 'declined',
    });
    expect(declined.state).toBe('declined');
    const take = { version: declined.version, line: 0, number: 'HB-O-4' };
    expect((await manager.call('post', `/api/offers/${offer?.id}/job`, take)).status).toBe(409);
    const open = await asked<Offer>('put', `/api/offers/${offer?.id}`, { version: declined.version, state: 'open' });
    expect(open.state).toBe('open');
    await server.owner.pool.query('UPDATE offer SET body = body || \'{"until": "2020-01-31"}\' WHERE id = $1', [
      offer?.id,
    ]);
    const late = await manager.call('post', `/api/offers/${offer?.id}/job`, { ...take, version: open.version });
    expect([late.status, (late.body as Problem).title]).toEqual([
      409,
      expect.stringContaining('held until 2020-01-31'),
    ]);
  });
});
