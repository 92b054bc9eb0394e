import fs from 'node:fs';
import fc from 'fast-check';
import { XmlDocument, XsdValidator } from 'libxml2-wasm';
import { type Job, type Plan, type RoomRecord, OPERATIONS, FAMILIES, SHIPPED_WORKS, plan } from '@druckerei/core';
import { EXAMPLES, exchangeFileSchema, parseJobFile } from '@druckerei/contract';
import { type ToldXjdf, SUBSET, readXjdf, subsetTable, subsetXsd, writeXjdf, xjdfJob } from '../xjdf.js';
import { PROCESSES, PRODUCT_TYPES } from './words.js';

const examples = new URL('../../../../docs/examples/', import.meta.url);
const NAMES = fs.readdirSync(examples).filter((name) => name.endsWith('.json'));
const example = (name: string): Job => {
  const read = parseJobFile(fs.readFileSync(new URL(name, examples), 'utf8'));
  if (!read.ok) throw new Error(name);
  return read.job;
};
const planned = (job: Job): Plan => {
  const outcome = plan(job, SHIPPED_WORKS);
  if (!outcome.ok) throw new Error(outcome.issues.map(({ code, path }) => `${code} ${path}`).join());
  return outcome.value;
};
const AT = new Date('2026-11-23T12:00:00Z');
const written = (job: Job, records: readonly RoomRecord[] = [], of: Plan = planned(job)): string =>
  writeXjdf({ job, plan: of, works: SHIPPED_WORKS, at: AT, records });
const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
function told(text: string): ToldXjdf {
  const read = readXjdf(bytes(text));
  if (!read.ok) throw new Error(read.faults.map(({ line, message }) => `${line}: ${message}`).join('\n'));
  return read.value;
}
const jobOf = (text: string): Job | undefined => xjdfJob(told(text), SHIPPED_WORKS, 'NEXT-1').job;
const faultsOf = (text: string | Uint8Array): readonly { line: number; message: string }[] => {
  const read = readXjdf(typeof text === 'string' ? bytes(text) : text);
  return read.ok ? [] : read.faults;
};
const NS = 'xmlns="http://www.CIP4.org/JDFSchema_2_0"';
/** A file as another program may write it. */
const foreign = (inside: string, root = 'JobID="X-1" Types="ConventionalPrinting"'): string =>
  `<?xml version="1.0"?>\n<XJDF ${NS} ${root}>\n${inside}\n</XJDF>`;
const A5 = 'FinishedDimensions="419.53 595.28 0"';
const BROCHURE = `<ProductList><Product ID="P1" Amount="1200" IsRoot="true" ProductType="Brochure" DescriptiveName="Open day">
<Intent Name="LayoutIntent"><LayoutIntent ${A5} Pages="16"/></Intent>
<Intent Name="MediaIntent"><MediaIntent MediaQuality="Coated silk" Weight="115"/></Intent>
<Intent Name="BindingIntent"><BindingIntent BindingType="SaddleStitch"/></Intent></Product></ProductList>`;

describe('a job as XJDF', () => {
  it.each(NAMES)('%s is written, valid by our schema, and read as the same job (identity)', (name) => {
    const job = example(name);
    const text = written(job);
    expect(jobOf(text)).toEqual(job);
    expect(told(text).notes).toEqual([]);
  });

  it('is the same job whatever it says (identity: 200 at random)', () => {
    const [job, of] = [example('trail-map.json'), planned(example('trail-map.json'))];
    const line = fc
      .string({ unit: 'binary', minLength: 1, maxLength: 60 })
      .map((text) => text.replace(/[\p{Cc}\p{Cs}\u2028\u2029]/gu, '').trim())
      .filter((text) => text !== '');
    fc.assert(
      fc.property(line, line, fc.integer({ min: 1, max: 1e9 }), line, (title, customer, quantity, note) => {
        const [first, ...rest] = job.route;
        if (!first) throw new Error('no route');
        const said = {
          ...job,
          title,
          customer,
          order: { ...job.order, quantity },
          route: [{ ...first, note }, ...rest],
        };
        expect(jobOf(written(said, [], of))).toEqual(said);
      }),
      { numRuns: 200 },
    );
  });

  it('tells each station by the process of the standard, the sheets that it takes and hands on, and its times (from memory: XJDF 2.x)', () => {
    const job = example('concert-programme.json');
    const of = planned(job);
    const document = XmlDocument.fromString(written(job));
    const names = { x: 'http://www.CIP4.org/JDFSchema_2_0' };
    const text = (path: string): string => document.eval(`string(${path})`, names) as string;
    expect(text('/x:XJDF/@Types').split(' ')).toEqual(of.steps.map(({ operation }) => PROCESSES[operation]));
    of.steps.forEach((step, i) => {
      const out = `//x:ResourceSet[@Name="Component"][@Usage="Output"][@CombinedProcessIndex="${i}"]`;
      const edge = of.edges.find(({ from }) => from === step.id);
      expect(Number(text(`${out}//x:PartAmount/@Amount`))).toBeCloseTo(edge?.count ?? NaN, 5);
      const seconds = Number(
        /PT(\d+)S/.exec(text(`//x:Resource[@ExternalID="${step.id}"]/x:NodeInfo/@TotalDuration`))?.[1],
      );
      expect(Math.abs(seconds - step.hours * 3600)).toBeLessThanOrEqual(0.5);
    });
    // Points are inches / 72. A B1 sheet of 1020 x 720 mm.
    const [width = 0, height = 0] = text('//x:Resource[@ID="paper.section-1"]/x:Media/@Dimension')
      .split(' ')
      .map(Number);
    expect([(width * 25.4) / 72, (height * 25.4) / 72]).toEqual([expect.closeTo(1020, 3), expect.closeTo(720, 3)]);
    expect(text('//x:Resource[@ID="paper.section-1"]//x:PartAmount/@Amount')).toBe(
      String(of.totals.pressSheets['section-1']),
    );
    document.dispose();
  });

  it('has a word for every operation and family, and each family is known again by its own', () => {
    expect(Object.keys(PROCESSES).sort()).toEqual([...OPERATIONS].sort());
    expect(new Set(Object.values(PRODUCT_TYPES)).size).toBe(FAMILIES.length);
  });

  it('is held to a schema that is kept with it (library: libxml2)', () => {
    const kept = (name: string): string =>
      fs.readFileSync(new URL(`../../../../docs/${name}`, import.meta.url), 'utf8');
    expect(kept('xjdf-subset.xsd')).toBe(subsetXsd());
    expect(kept('xjdf.md')).toContain(subsetTable());
    const xsd = XmlDocument.fromString(subsetXsd());
    const validator = XsdValidator.fromDoc(xsd);
    const sound = XmlDocument.fromString(written(example('tea-caddy.json')));
    const wrong = XmlDocument.fromString(foreign('<ProductList><Product Amount="few"/></ProductList>'));
    expect(() => validator.validate(sound)).not.toThrow();
    expect(() => validator.validate(wrong)).toThrow();
    for (const one of [validator, xsd, sound, wrong]) one.dispose();
  });

  it('takes what the standard’s own elements say otherwise, and tells it', () => {
    const job = example('trail-map.json');
    const text = written(job)
      .replace(/Amount="\d+" IsRoot="true"/, 'Amount="777" IsRoot="true"')
      .replace(/Required="[^"]*"/, 'Required="2027-03-04T00:00:00"');
    const made = xjdfJob(told(text), SHIPPED_WORKS, '');
    expect(made).toMatchObject({
      job: { ...job, order: { ...job.order, quantity: 777 }, due: '2027-03-04' },
      said: [expect.stringContaining('Amount is 777'), expect.stringContaining('Required is 2027-03-04')],
    });
  });
});

describe('an XJDF of another program', () => {
  it('changes a job of ours to nothing that a job cannot be', () => {
    const text = written(example('trail-map.json'));
    const long = text.replace(/ DescriptiveName="[^"]*"/, ` DescriptiveName="${'x'.repeat(500)}"`);
    const none = text.replace(/Amount="\d+" IsRoot/, 'Amount="0" IsRoot');
    for (const [file, why] of [
      [long, /^title: /],
      [none, /^order.quantity: /],
    ] as const)
      expect(xjdfJob(told(file), SHIPPED_WORKS, '')).toMatchObject({
        job: undefined,
        why: [expect.stringMatching(why)],
      });
  });

  it('becomes a job of the works, and what is taken as usual is told', () => {
    const made = xjdfJob(told(foreign(BROCHURE)), SHIPPED_WORKS, '');
    expect(made.job).toMatchObject({ number: 'X-1', title: 'Open day', family: 'saddle-stitched', pages: 16 });
    expect(made.job?.components[0]).toMatchObject({ widthMm: 148, heightMm: 210, stock: 'silk-115' });
    expect(made.job?.order.quantity).toBe(1200);
  });

  // Every product that answers make is begun the same from the standard's elements alone.
  it.each(NAMES.filter((name) => !name.includes('garden-cards')))(
    '%s is begun again without our element (identity)',
    (name) => {
      const job = example(name);
      const text = written(job).replace(/<d:Job>[^<]*<\/d:Job>/, '');
      const again = jobOf(text);
      expect(again?.family).toBe(job.family);
      expect(again?.order.quantity).toBe(job.order.quantity);
      const [first, was] = [again?.components[0], job.components[0]];
      expect([first?.widthMm, first?.heightMm, first?.stock]).toEqual([was?.widthMm, was?.heightMm, was?.stock]);
      expect(first?.front).toHaveLength(was?.front.length ?? NaN);
    },
  );

  it('is begun out of the example that programs are shown', () => {
    const { file } = exchangeFileSchema.parse(EXAMPLES.readExchange);
    const read = readXjdf(Buffer.from(file, 'base64'));
    const made = read.ok ? xjdfJob(read.value, SHIPPED_WORKS, '') : undefined;
    expect(made?.job).toMatchObject({
      number: 'SHOP-1002',
      title: 'Harbour walks',
      pages: 16,
      order: { quantity: 5000 },
    });
  });

  it('has the inks that the file names', () => {
    const colour =
      '<Intent Name="ColorIntent"><ColorIntent><SurfaceColor Surface="Front" ColorsUsed="Night_blue Cyan Magenta Yellow Black Silver"/><SurfaceColor Surface="Back" ColorsUsed="Black"/></ColorIntent></Intent></Product>';
    const job = jobOf(
      foreign(
        BROCHURE.replace('</Product>', colour)
          .replaceAll('Brochure', 'Poster')
          .replace(/<Intent Name="BindingIntent">.*?<\/Intent>/, ''),
      ),
    );
    expect(job?.components[0]?.front.map(({ name }) => name)).toEqual(['Night blue', 'C', 'M', 'Y', 'K', 'Silver']);
    expect(job?.components[0]?.back.map(({ name }) => name)).toEqual(['K']);
  });

  it.each([
    ['Pages="16"', 'Pages="100000000"', /100000000 pages are more than 4096/],
    [A5, 'FinishedDimensions="1e9 3"', /mm is longer than 10000 mm/],
    ['DescriptiveName="Open day"', `DescriptiveName="${'x'.repeat(500)}"`, /120/],
    [
      '</Product>',
      `<Intent Name="ColorIntent"><ColorIntent><SurfaceColor Surface="Front" ColorsUsed="${'a '.repeat(90)}"/></ColorIntent></Intent></Product>`,
      /90 inks of a side are more than 12/,
    ],
    ['Amount="1200"', 'Amount="99999999999999999999"', /99999999999999999999.*whole number/],
  ])('is refused where %s becomes more than any product has', (was, is, why) => {
    expect(xjdfJob(told(foreign(BROCHURE.replace(was, is))), SHIPPED_WORKS, '')).toMatchObject({
      job: undefined,
      why: [expect.stringMatching(why)],
    });
  });

  it('keeps what it does not understand where it stood, and gives it back', () => {
    const more = BROCHURE.replace(
      '<Product ',
      '<o:Mood xmlns:o="urn:o" o:is="calm">so <b>&lt;so&gt;</b></o:Mood><Product ',
    ).replace('</Product>', '<Intent Name="LayoutIntent"/><Brand Tone="warm"/></Product>');
    const read = told(foreign(more, 'JobID="X-1" Types="Folding" Category="web"'));
    expect(read.notes).toEqual([
      'Line 3: Mood is not understood, and kept as it is.',
      expect.stringMatching(/^Line \d+: Brand is not understood, and kept/),
      'Line 2: XJDF/@Category is not understood, and left.',
    ]);
    const job = xjdfJob(read, SHIPPED_WORKS, '').job;
    if (!job) throw new Error('no job');
    const again = written(job);
    expect(again).toContain(
      '<o:Mood xmlns:o="urn:o" o:is="calm">so <b xmlns="http://www.CIP4.org/JDFSchema_2_0">&lt;so&gt;</b></o:Mood>',
    );
    expect(again).toMatch(/<Product [^>]*IsRoot="true"(?:(?!<\/Product>)[\s\S])*<Brand [^>]*Tone="warm"/);
    expect(jobOf(again)).toEqual(job);
  });

  it('leaves out what was kept and is no element', () => {
    const job = {
      ...example('trail-map.json'),
      foreign: [
        { at: '', xml: '<a>' },
        { at: '/Nowhere[1]', xml: '<!DOCTYPE b><b/>' },
      ],
    };
    expect(jobOf(written(job))?.foreign).toBeUndefined();
  });

  it('counts what its audits say, and not what we wrote ourselves', () => {
    const audit = (
      agent: string,
    ): string => `<AuditPool><AuditProcessRun><Header AgentName="${agent}" DeviceID="b1-press" Time="2026-11-20T10:00:00Z"/>
<ProcessRun Start="2026-11-20T08:00:00+01:00" End="2026-11-20T10:00:00Z" EndStatus="Completed"/></AuditProcessRun>
<AuditResource><Header AgentName="${agent}" DeviceID="b1-press" Time="2026-11-20T10:00:00"/><ResourceInfo><ResourceSet Name="Component"><Resource><AmountPool>
<PartAmount Amount="900" Waste="20"/><PartAmount Amount="100"/></AmountPool></Resource></ResourceSet></ResourceInfo></AuditResource></AuditPool>`;
    expect(told(foreign(audit('Press 7'))).audits).toEqual([
      {
        job: 'X-1',
        station: 'b1-press',
        at: '2026-11-20T10:00:00.000Z',
        begun: '2026-11-20T07:00:00.000Z',
        good: 0,
        spoiled: 0,
        line: 3,
      },
      { job: 'X-1', station: 'b1-press', at: '2026-11-20T10:00:00', good: 1000, spoiled: 20, line: 5 },
    ]);
    expect(told(foreign(audit('Druckerei'))).audits).toEqual([]);
  });

  it('tells what the floor has entered', () => {
    const job = example('trail-map.json');
    const step = job.route[0]?.id ?? '';
    const record = (id: number, minute: number, event: RoomRecord['event']): RoomRecord => ({
      id,
      at: `2026-11-20T10:${String(minute).padStart(2, '0')}:00.000Z`,
      by: 'Press operator',
      event,
    });
    const text = written(job, [
      record(1, 0, { kind: 'run-begun', step }),
      record(2, 30, { kind: 'good', step, count: 700 }),
      record(3, 40, { kind: 'spoiled', step, count: 12, reason: 'set-off', during: 'run' }),
      record(4, 45, { kind: 'good', step, count: 5 }),
      record(5, 46, { kind: 'strike', record: 4, why: 'wrong job' }),
    ]);
    expect(text).toContain('Start="2026-11-20T10:00:00.000Z" End="2026-11-20T10:40:00.000Z"');
    expect(text).toContain('<PartAmount Amount="700" Waste="12"/>');
    expect(told(text).audits).toEqual([]);
  });
});

describe('a file that cannot be read', () => {
  const cases: readonly (readonly [string, string | Uint8Array, number, RegExp])[] = [
    ['no XML', 'JobID;Title', 1, /Start tag expected/],
    ['nothing', '', 0, /empty|Start tag/i],
    ['cut off', written(example('tea-caddy.json')).slice(0, 900), 1, /./],
    ['another root', '<JDF/>', 1, /The root is JDF; XJDF/],
    ['another namespace', '<XJDF xmlns="urn:x"/>', 1, /namespace "urn:x"/],
    [
      'a DOCTYPE',
      `<!DOCTYPE XJDF [<!ENTITY a "b">]>\n<XJDF ${NS} JobID="&a;" Types="Folding"/>`,
      2,
      /DOCTYPE is not read/,
    ],
    ['no JobID', `<XJDF ${NS} Types="Folding"/>`, 1, /attribute 'JobID' is required/],
    [
      'an amount in words',
      foreign('<ProductList>\n<Product ID="a" Amount="few"/></ProductList>'),
      4,
      /'few' is not a whole number/,
    ],
    [
      'a negative size',
      foreign(
        '<ProductList><Product ID="a"><Intent Name="LayoutIntent"><LayoutIntent FinishedDimensions="-5 3"/></Intent></Product></ProductList>',
      ),
      3,
      /-5/,
    ],
    [
      'an infinite size',
      foreign(
        '<ProductList><Product ID="a"><Intent Name="LayoutIntent"><LayoutIntent FinishedDimensions="INF 3"/></Intent></Product></ProductList>',
      ),
      3,
      /INF/,
    ],
    [
      'one ID twice',
      foreign('<ProductList><Product ID="a"/>\n<Product ID="a"/></ProductList>'),
      4,
      /ID a, which one on line 3 has/,
    ],
    [
      'a product that is not there',
      foreign(
        '<ResourceSet Name="DeliveryParams"><Resource><DeliveryParams><DropItem ItemRef="b"/></DeliveryParams></Resource></ResourceSet>',
      ),
      3,
      /product b, which is not/,
    ],
    [
      'a process that is not there',
      foreign('<ResourceSet Name="Media" CombinedProcessIndex="0 4"/>'),
      3,
      /CombinedProcessIndex 4 is of no process/,
    ],
    [
      'an intent under another name',
      foreign(
        '<ProductList><Product ID="a"><Intent Name="ColorIntent"><LayoutIntent/></Intent></Product></ProductList>',
      ),
      3,
      /no element ColorIntent/,
    ],
    [
      'an audit without a station',
      foreign('<AuditPool><AuditResource><Header Time="2026-11-20T10:00:00Z"/></AuditResource></AuditPool>'),
      3,
      /names no station/,
    ],
    [
      'half a sheet',
      foreign(
        '<AuditPool><AuditResource><Header DeviceID="x" Time="2026-11-20T10:00:00Z"/><ResourceInfo><ResourceSet Name="Component"><Resource><AmountPool><PartAmount Amount="1.5"/></AmountPool></Resource></ResourceSet></ResourceInfo></AuditResource></AuditPool>',
      ),
      3,
      /counts are whole/,
    ],
    [
      'an encoding that it has not',
      new Uint8Array([...bytes('<?xml version="1.0" encoding="utf-8"?><XJDF>'), 0xff, 0xfe]),
      1,
      /./,
    ],
    ['elements without end', '<a>'.repeat(5_000), 1, /depth/i],
    [
      'entities in entities',
      `<!DOCTYPE l [<!ENTITY a "${'x'.repeat(1000)}">${Array.from({ length: 20 }, (_, i) => `<!ENTITY ${'b'.repeat(i + 1)} "&${i === 0 ? 'a' : 'b'.repeat(i)};&${i === 0 ? 'a' : 'b'.repeat(i)};">`).join('')}]><l>&${'b'.repeat(20)};</l>`,
      1,
      /./,
    ],
  ];
  it.each(cases)('%s is told with its line', (_, file, line, message) => {
    const [fault] = faultsOf(file);
    expect(fault).toEqual({ line: expect.any(Number) as number, message: expect.stringMatching(message) as string });
    if (line > 1) expect(fault?.line).toBe(line);
  });

  it('says which value an order lacks', () => {
    const none = xjdfJob(told(foreign('')), SHIPPED_WORKS, '');
    expect(none).toMatchObject({ job: undefined, why: [expect.stringContaining('no product in it')] });
    const without = xjdfJob(told(foreign(BROCHURE.replace('Amount="1200"', ''))), SHIPPED_WORKS, '');
    expect(without).toMatchObject({ job: undefined, why: [expect.stringMatching(/quantity/i)] });
    const broken = xjdfJob(
      told(written(example('tea-caddy.json')).replace('"version":1', '"version":9')),
      SHIPPED_WORKS,
      '',
    );
    expect(broken).toMatchObject({ job: undefined, why: [expect.stringContaining('The job file in it: version')] });
  });

  it('reads another encoding than UTF-8', () => {
    const latin = Buffer.from(
      foreign(BROCHURE.replace('Open day', 'Führung')).replace('?>', ' encoding="ISO-8859-1"?>'),
      'latin1',
    );
    const read = readXjdf(latin);
    expect(read).toMatchObject({ ok: true, value: { product: { words: 'Brochure Führung' } } });
  });

  it('reads no attribute of its table under another name', () => {
    for (const { wants = [], attributes } of Object.values(SUBSET))
      for (const name of wants) expect(attributes).toHaveProperty(name);
  });
});
