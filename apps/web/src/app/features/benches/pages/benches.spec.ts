import { type Type } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { type BlankLayouts, type GangAnswer, SHIPPED_WORKS, makeStructure, newJob, plan } from '@druckerei/core';
import { of } from 'rxjs';
import { Api } from '../../../platform/api';
import { MakeJob } from '../state/make-job';
import type { MakeJobData } from '../parts/make-job.dialog';
import type { TakeIntoData } from '../parts/take-into-job.dialog';
import type { Question } from '../workers/client';
import type { Answer } from '../workers/messages';
import { DiePage } from './die.page';
import { GangPage } from './gang.page';
import { WebPage } from './web.page';

const asked: { question: Question; answered: (answer: Answer) => void; failed: () => void; ended: boolean }[] = [];
jest.mock('../workers/client', () => ({
  ask: (question: Question, answered: (answer: Answer) => void, failed: () => void) => {
    const one = { question, answered, failed, ended: false };
    asked.push(one);
    return () => {
      one.ended = true;
    };
  },
}));

const askedFor = (kind: Question['kind']) => asked.filter(({ question }) => question.kind === kind);
/** Waits until something has been asked by itself, when typing rests. */
async function until(happened: () => boolean): Promise<void> {
  while (!happened()) await new Promise((resolve) => setTimeout(resolve, 20));
}

const made: Omit<MakeJobData, 'works'>[] = [];
const taken: Omit<TakeIntoData, 'works'>[] = [];
const like = {
  number: 'B-1',
  title: 'From the bench',
  customer: '',
  quantity: 4000,
  stock: 'board-300',
  press: 'b1-perfector',
  sheet: { widthMm: 1020, heightMm: 720, grain: 'width' as const },
};
/** The job that a bench asked to be made, planned. */
function plannedJob() {
  const job = made.at(-1)?.make(like, SHIPPED_WORKS);
  if (!job) throw new Error('no job was asked for');
  return { job, outcome: plan(job, SHIPPED_WORKS) };
}

async function open<T>(page: Type<T>) {
  TestBed.configureTestingModule({
    providers: [
      {
        provide: MakeJob,
        useValue: {
          start: (data: Omit<MakeJobData, 'works'>) => made.push(data),
          takeInto: (data: Omit<TakeIntoData, 'works'>) => taken.push(data),
        },
      },
      { provide: Api, useValue: { works: () => of(SHIPPED_WORKS) } },
    ],
  });
  const fixture = TestBed.createComponent(page);
  await fixture.whenStable();
  const element = fixture.nativeElement as HTMLElement;
  const text = () => (element.textContent ?? '').replace(/\s+/g, ' ');
  const click = async (label: string) => {
    const button = [...element.querySelectorAll('button')].find((one) => one.textContent.includes(label));
    if (!button) throw new Error(`no button ${label}`);
    button.click();
    await fixture.whenStable();
  };
  const type = async (label: string, value: string) => {
    const box = [...element.querySelectorAll('mat-form-field')].find((one) =>
      one.querySelector('mat-label')?.textContent.startsWith(label),
    );
    const input = box?.querySelector('input');
    if (!input) throw new Error(`no field ${label}`);
    input.value = value;
    input.dispatchEvent(new Event('input'));
    await fixture.whenStable();
  };
  const answer = async (answers: Answer) => {
    asked.at(-1)?.answered(answers);
    await fixture.whenStable();
  };
  return { fixture, element, text, click, type, answer };
}

beforeEach(() => {
  asked.length = 0;
  localStorage.clear();
});

describe('gang bench', () => {
  const found: GangAnswer = {
    forms: [
      {
        counts: [2, 1, 1, 1],
        sheets: 1000,
        pieces: [{ item: 0, xMm: 0, yMm: 0, widthMm: 154, heightMm: 111 }],
      },
    ],
    cost: 330,
    sheets: 1000,
    overruns: [0, 500, 0, 0],
    bound: 300,
    gap: 0.1,
    alone: 600,
  };

  it('asks for items with their bleed, shows better answers as they come, and how far off the bound they are', async () => {
    const { text, click, answer } = await open(GangPage);
    await click('Find the forms');
    const [{ question } = { question: undefined }] = asked;
    expect(question?.kind === 'gang' && question.request.items[0]).toMatchObject({ widthMm: 154, heightMm: 111 });
    await answer({ kind: 'gang', answer: { ...found, cost: 400 }, issues: [], done: false });
    expect(text()).toContain('400 EUR');
    expect(text()).toContain('Stop');
    await answer({ kind: 'gang', answer: found, issues: [], done: true });
    expect(text()).toContain('330 EUR');
    expect(text()).toContain('300 EUR, 10 % away');
    expect(text()).not.toContain('Stop');
  });

  it('makes a job of the answer, that plans', async () => {
    const { click, answer } = await open(GangPage);
    await click('Find the forms');
    await answer({ kind: 'gang', answer: found, issues: [], done: true });
    await click('Make a job of it');
    const { job, outcome } = plannedJob();
    expect(outcome.ok ? [] : outcome.issues).toEqual([]);
    expect(job.components[0]?.carries?.map(({ count }) => count)).toEqual([2, 1, 1, 1]);
    expect(job.order.quantity).toBe(job.items?.reduce((sum, { quantity }) => sum + quantity, 0));
  });

  it('says that an answer is old once the items change, and stops when asked', async () => {
    const { text, click, type, answer } = await open(GangPage);
    await click('Find the forms');
    await answer({ kind: 'gang', answer: found, issues: [], done: false });
    await type('Most forms', '3');
    expect(text()).toContain('The items have changed since');
    await click('Stop');
    expect(asked.at(-1)?.ended).toBe(true);
    expect(text()).toContain('330 EUR');
  });

  it('refuses what cannot be before it asks, and tells a worker that fails', async () => {
    const { text, click, type, fixture } = await open(GangPage);
    await type('Usable width', '50');
    expect(text()).toContain('does not fit a form of 50 x 696 mm');
    expect(asked).toHaveLength(0);
    await type('Usable width', '1010');
    await click('Find the forms');
    asked.at(-1)?.failed();
    await fixture.whenStable();
    expect(text()).toContain('could not be worked out');
  });
});

describe('die bench', () => {
  const layouts: BlankLayouts = {
    proposals: [
      {
        arrangement: 'head-to-tail',
        choice: { arrangement: 'head-to-tail', turned: false, offset: 0 },
        count: 8,
        usedShare: 0.715,
        blanks: [],
      },
      {
        arrangement: 'straight',
        choice: { arrangement: 'straight', turned: false },
        count: 6,
        usedShare: 0.536,
        blanks: [],
      },
    ],
    bound: 10,
  };

  it('measures the structure and lays it in the ways that there are', async () => {
    const { text, answer, type } = await open(DiePage);
    expect(text()).toContain('306.35 × 290.9 mm');
    await until(() => askedFor('blanks').length > 0);
    await answer({ kind: 'progress', share: 0.5 });
    expect(asked.at(-1)?.question).toMatchObject({ kind: 'blanks', request: { gapMm: 4, turns: 'either' } });
    await answer({ kind: 'blanks', layouts });
    expect(text()).toContain('6 up, straight rows');
    expect(text()).toMatch(/8 up, 71\.5 % of the usable sheet; no layout holds more than 10/);
    // Laid anew by itself once something changes; what lay before stays in sight.
    await type('Stripping gap', '6');
    expect(text()).toContain('it is being laid anew');
    await until(() => askedFor('blanks').length > 1);
    expect(asked.at(-1)?.question).toMatchObject({ request: { gapMm: 6 } });
  });

  it('makes a job of the structure, that plans', async () => {
    const { click } = await open(DiePage);
    await click('Make a job of it');
    const { job, outcome } = plannedJob();
    expect(outcome.ok).toBe(true);
    expect(job.components[0]).toMatchObject({ kind: 'blank', widthMm: 85, heightMm: 60, die: { depthMm: 130 } });
  });

  it('is put in the place of a blank of a job, by its structure', async () => {
    const { click } = await open(DiePage);
    await click('Take into a job');
    const { parts, take } = taken.at(-1) ?? {};
    const small = { kind: 'structure', structure: 'sleeve', depthMm: 40 } as const;
    const size = { widthMm: 70, heightMm: 50, pages: 0, folds: 0, coverStock: '' };
    const { sheet: _sheet, ...order } = like;
    const job = newJob('carton', { ...order, ...size, die: small }, SHIPPED_WORKS);
    const [part] = parts?.(job) ?? [];
    const after = take?.(job, part?.id ?? '');
    expect(after?.components[0]).toMatchObject({ widthMm: 85, heightMm: 60, die: { depthMm: 130, flapMm: 15 } });
    expect([after?.number, after?.order.quantity]).toEqual([job.number, job.order.quantity]);
  });

  it('says what makes a structure impossible and mends when it is mended', async () => {
    const { text, type } = await open(DiePage);
    await type('Width, inside', '200');
    expect(text()).toContain('is the longer side of the opening');
    await type('Width, inside', '60');
    expect(text()).not.toContain('is the longer side of the opening');
  });

  it('refuses files that are no drawings or too large before reading them', async () => {
    const { element, text, fixture } = await open(DiePage);
    const choose = async (name: string, size: number) => {
      const input = element.querySelector('input[type=file]');
      if (!input) throw new Error('no file input');
      const file = { name, size, text: () => Promise.resolve('0') };
      Object.defineProperty(input, 'files', { value: [file], configurable: true });
      input.dispatchEvent(new Event('change'));
      await new Promise((resolve) => setTimeout(resolve));
      await fixture.whenStable();
    };
    await choose('cat.png', 10);
    expect(text()).toContain('cat.png is neither DXF nor SVG');
    await choose('big.dxf', 50_000_000);
    expect(text()).toContain('big.dxf has 50 MB; at most 4 MB can be read');
    expect(askedFor('read')).toHaveLength(0);
    await choose('small.dxf', 10);
    expect(askedFor('read').at(-1)?.question).toMatchObject({ kind: 'read', format: 'dxf', gapMm: 0.3 });
  });

  it('shows what a drawing says of itself, with its layers', async () => {
    const { element, text, fixture } = await open(DiePage);
    const input = element.querySelector('input[type=file]');
    if (!input) throw new Error('no file input');
    const file = { name: 'a.svg', size: 10, text: () => Promise.resolve('<svg/>') };
    Object.defineProperty(input, 'files', { value: [file], configurable: true });
    input.dispatchEvent(new Event('change'));
    await new Promise((resolve) => setTimeout(resolve));
    await until(() => askedFor('read').length > 0);
    const [part] = makeStructure('sleeve', { lengthMm: 80, widthMm: 40, depthMm: 100, caliperMm: 0.4 }).parts;
    askedFor('read')
      .at(-1)
      ?.answered({
        kind: 'read',
        drawing: part?.drawing,
        layers: [{ layer: 'Notes', count: 3, kind: undefined }],
        issues: [{ code: 'die.unmapped-layer', severity: 'warning', path: '', params: { layer: 'Notes', count: 3 } }],
      });
    await fixture.whenStable();
    expect(text()).toContain('The layer Notes (3 lines) is not used');
    expect(text()).toContain('Back to the structure');
  });
});

describe('web bench', () => {
  it('counts pages, copies and plates of a cut-off, and says what does not fit', async () => {
    const { element, text, type } = await open(WebPage);
    expect(text()).toContain('4 across, 2 around');
    // The folder's own scheme: every page once, on one side or the other.
    const cells = [...element.querySelectorAll('.pages td')].map((cell) => Number(cell.textContent));
    expect(cells.sort((a, b) => a - b)).toEqual(Array.from({ length: 16 }, (_, i) => i + 1));
    await type('Pages a copy', '32');
    expect(text()).toContain('is more than the folder brings together (16)');
  });

  it('keeps the store as it is typed and ranks its cylinders', async () => {
    const { element, text, type } = await open(WebPage);
    const first = () => element.querySelector('[data-test=cylinders] tbody tr')?.textContent.replace(/\s+/g, ' ') ?? '';
    expect(first()).toContain('84');
    await type('Cylinders in the store', '68; 60 nothing');
    expect(first()).toContain('68');
    await type('Cylinders in the store', '3');
    expect(text()).toContain('No cylinder in the store holds this piece');
  });
});
