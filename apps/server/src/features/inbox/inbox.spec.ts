import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import type { JobBook } from '@druckerei/contract';
import { type TestServer, type Visitor, exampleJob, startServer, visitor } from '../../server.fixture.js';
import { type Inbox, watchFolder } from './watch-folder.js';

let server: TestServer;
let manager: Visitor;
const ends: (() => Promise<void>)[] = [];
const failures: string[] = [];
beforeAll(async () => {
  server = await startServer('inbox_test');
  manager = await visitor(server.app, 'manager');
});
afterEach(async () => {
  await Promise.all(ends.splice(0).map((end) => end()));
});
afterAll(() => server.stop());

/** A watched folder of its own. */
function inbox(more: Partial<Inbox> = {}, watchers = 1): string {
  const dir = fs.mkdtempSync(path.join(os.tmpdir(), 'druckerei-inbox-'));
  failures.length = 0;
  for (let i = 0; i < watchers; i++)
    ends.push(
      watchFolder(
        server,
        { dir, login: 'manager', everyMs: 20, ...more },
        (error) => void failures.push(String(error)),
      ),
    );
  return dir;
}
/** What is answered to a file, when it is. */
async function answerOf(dir: string, name: string): Promise<string> {
  const file = path.join(dir, `${name}.answer.txt`);
  for (let i = 0; i < 3_000 && !fs.existsSync(file); i++) await wait(10);
  // It goes where it belongs behind its answer.
  for (let i = 0; i < 300 && fs.existsSync(path.join(dir, `.taking-${name}`)); i++) await wait(10);
  return fs.readFileSync(file, 'utf8');
}
async function drop(dir: string, name: string, content: string | Buffer): Promise<string> {
  fs.rmSync(path.join(dir, `${name}.answer.txt`), { force: true });
  fs.writeFileSync(path.join(dir, `.${name}`), content);
  fs.renameSync(path.join(dir, `.${name}`), path.join(dir, name));
  return answerOf(dir, name);
}
const xjdf = (root: string, inside: string): string =>
  `<XJDF xmlns="http://www.CIP4.org/JDFSchema_2_0" ${root}>${inside}</XJDF>`;
const jobs = async (search: string) =>
  (await manager.call('get', `/api/jobs?search=${encodeURIComponent(search)}`)).body as { number: string }[];

describe('a folder that is watched', () => {
  it('takes in a list of orders, says what each line became, and leaves a line in the audit', async () => {
    const dir = inbox();
    const said = await drop(
      dir,
      'orders.csv',
      'Title;Product;Quantity;Due\nInbox one;booklet A5 16pp 4/4 silk 115;1200;3.5.2027\nInbox two;flyer A5 4/4 shiny;5000;\n',
    );
    expect(said).toMatch(/^Taken in\.\nLine 2: \S+ Inbox one.*\nLine 3: \S+ Inbox two.*not understood: shiny/);
    expect(fs.readdirSync(path.join(dir, 'taken'))).toEqual(['orders.csv']);
    expect(fs.existsSync(path.join(dir, 'orders.csv'))).toBe(false);
    expect(await jobs('Inbox')).toHaveLength(2);
    const audit = (await manager.call('get', '/api/audit?search=inbox')).body as { by: string; subject: string }[];
    expect(audit).toMatchObject([{ by: 'Production manager', subject: 'orders.csv' }]);
  });

  it('takes in nothing of a list with a wrong line, and says each', async () => {
    const dir = inbox();
    const said = await drop(
      dir,
      'bad.csv',
      'Number,Product,Quantity\nBAD-1,booklet A5 16pp silk 115,800\nBAD-2,a thing,700\nBAD-3,booklet A5 16pp silk 115,none\n',
    );
    expect(said).toMatch(/^Refused; nothing of it was taken in/);
    expect(said).toMatch(/^Line 3: /m);
    expect(said).toMatch(/^Line 4: /m);
    expect(said).not.toContain('Line 2');
    expect(await jobs('BAD-')).toEqual([]);
    expect(fs.readdirSync(path.join(dir, 'refused'))).toEqual(['bad.csv']);
  });

  it('tells a number that is taken by its line, and takes in no other either', async () => {
    const dir = inbox();
    const job = exampleJob('trail-map', { number: 'INBOX-7' });
    expect(await drop(dir, 'job.json', JSON.stringify(job))).toMatch(/^Taken in\.\nINBOX-7 /);
    expect(await drop(dir, 'job.json', JSON.stringify(job))).toMatch(/^Refused.*\n.*job number is taken/);
    const list =
      'Number,Product,Quantity\nINBOX-8,booklet A5 16pp silk 115,800\nINBOX-7,booklet A5 16pp silk 115,800\n';
    expect(await drop(dir, 'again.csv', list)).toMatch(/\nLine 3: .*INBOX-7 is taken/);
    expect(await jobs('INBOX-8')).toEqual([]);
    // The same name twice lies beside the first.
    expect(fs.readdirSync(path.join(dir, 'taken'))).toEqual(['job.json']);
    expect(fs.readdirSync(path.join(dir, 'refused')).sort()).toEqual(['again.csv', 'job.json']);
  });

  it('begins the job of an XJDF, and enters what one has counted', async () => {
    const dir = inbox();
    const ordered = xjdf(
      'JobID="XI-1" Types="Folding"',
      `<ProductList><Product ID="p" Amount="900" ProductType="Leaflet" DescriptiveName="Ferry news"><Mood/></Product></ProductList>`,
    );
    const said = await drop(dir, 'order.xjdf', ordered);
    expect(said).toMatch(/^Taken in\.\nXI-1 Ferry news\nTaken as usual: /);
    expect(said).toMatch(/Mood is not understood, and kept as it is/);
    expect(await jobs('XI-1')).toHaveLength(1);
    const counted = xjdf(
      'JobID="XI-1" JobPartID="box" Types="BoxPacking"',
      `<AuditPool><AuditResource><Header AgentName="Counter" Time="2026-11-30T10:00:00Z"/><ResourceInfo><ResourceSet Name="Component"><Resource>
<AmountPool><PartAmount Amount="400" Waste="3"/></AmountPool></Resource></ResourceSet></ResourceInfo></AuditResource></AuditPool>`,
    );
    expect(await drop(dir, 'counted.xml', counted)).toMatch(/^Taken in\.\nEntries: 2 new, 0 known, 0 held/);
    expect(await drop(dir, 'counted.xml', counted)).toMatch(/^Taken in\.\nEntries: 0 new, 2 known, 0 held/);
    const [job] = (await jobs('XI-1')) as unknown as { id: number }[];
    const { records } = (await manager.call('get', `/api/jobs/${job?.id}/book`)).body as JobBook;
    expect(records.map(({ event }) => event)).toMatchObject([
      { kind: 'good', step: 'box', count: 400 },
      { kind: 'spoiled', step: 'box', count: 3 },
    ]);
    expect(await drop(dir, 'twice.xjdf', ordered)).toMatch(/^Refused.*\n.*job number is taken/);
    expect(await drop(dir, 'cut.xjdf', ordered.slice(0, 90))).toMatch(/^Refused.*\nline 1: /);
  });

  it.each([
    ['no JSON', 'x.json', '{"title":', /This is no JSON/],
    ['another JSON', 'y.json', '[1, 2]', /Refused/],
    ['nothing', 'z.csv', '', /Line 1 has to name the columns/],
    ['headings alone', 'h.csv', 'Product;Quantity\n', /no order behind the headings/],
    ['no headings', 'n.csv', 'flyer A5;500\n', /Line 1 has to name the columns.*flyer A5; 500/],
    ['bytes', 'b.csv', Buffer.from([0, 255, 254, 1, 2, 0, 0]), /Line 1 has to name the columns/],
    ['more than go in at once', 'm.csv', `Product;Quantity\n${'flyer A5;500\n'.repeat(201)}`, /201 orders are more/],
    ['more than may be', 'l.csv', Buffer.alloc(5_000_001, 'a'), /5 MB at most/],
  ])('refuses %s with the reason', async (_, name, content, said) => {
    const dir = inbox();
    expect(await drop(dir, name, content)).toMatch(said);
    expect(fs.readdirSync(path.join(dir, 'refused'))).toEqual([name]);
    expect(failures).toEqual([]);
  });

  it('leaves alone what is hidden, no such file, a link or a folder', async () => {
    const dir = inbox();
    const outside = path.join(fs.mkdtempSync(path.join(os.tmpdir(), 'druckerei-other-')), 'job.json');
    fs.writeFileSync(outside, JSON.stringify(exampleJob('trail-map', { number: 'LINK-1' })));
    fs.symlinkSync(outside, path.join(dir, 'link.json'));
    fs.mkdirSync(path.join(dir, 'folder.csv'));
    for (const name of ['.hidden.csv', 'letter.txt']) fs.writeFileSync(path.join(dir, name), 'Product;Quantity\n');
    expect(await drop(dir, 'last.csv', 'Product;Quantity\n')).toContain('Refused');
    expect(fs.readdirSync(dir).sort()).toEqual(
      ['.hidden.csv', 'folder.csv', 'last.csv.answer.txt', 'letter.txt', 'link.json', 'refused'].sort(),
    );
    expect(await jobs('LINK-1')).toEqual([]);
  });

  it('is watched by several, and each file is taken in once', async () => {
    const dir = inbox({}, 3);
    const names = Array.from({ length: 6 }, (_, i) => `once-${i}.json`);
    await Promise.all(
      names.map((name, i) => drop(dir, name, JSON.stringify(exampleJob('trail-map', { number: `ONCE-${i}` })))),
    );
    expect(fs.readdirSync(path.join(dir, 'taken')).sort()).toEqual(names);
    expect(await jobs('ONCE-')).toHaveLength(6);
    expect(failures).toEqual([]);
  });

  it('keeps files where they are while nobody may take them in, and says so once', async () => {
    const dir = inbox({ login: 'viewer' });
    fs.writeFileSync(path.join(dir, 'a.csv'), 'Product;Quantity\nflyer A5;500\n');
    for (let i = 0; i < 500 && failures.length === 0; i++) await wait(10);
    await wait(200);
    expect(failures).toEqual([expect.stringContaining('viewer is nobody who may plan jobs')]);
    expect(fs.readdirSync(dir)).toEqual(['a.csv']);
  });

  it('tells what an instance that stopped has left half done, and does not do it again', async () => {
    const dir = inbox({ leftMs: 0 });
    fs.writeFileSync(path.join(dir, '.taking-old.json'), JSON.stringify(exampleJob('trail-map', { number: 'OLD-1' })));
    expect(await answerOf(dir, 'old.json')).toContain('The server stopped while it was taken in');
    expect(fs.readdirSync(path.join(dir, 'refused'))).toEqual(['old.json']);
    expect(await jobs('OLD-1')).toEqual([]);
  });
});
