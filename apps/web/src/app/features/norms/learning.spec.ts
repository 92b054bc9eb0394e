import { type ComponentFixture, TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { SHIPPED_WORKS } from '@druckerei/core';
import type { Happened, Learning, NormDecisions, NormProposalLine } from '@druckerei/contract';
import { Store, provideStore } from '@ngrx/store';
import { NEVER, Subject, of } from 'rxjs';
import { testAccount } from '../../platform/account.fixture';
import { Api } from '../../platform/api';
import { Live } from '../../platform/live';
import { SessionActions, sessionFeature } from '../../platform/session.state';
import { HappenedPage } from './happened.page';
import { LearningApi } from './learning.api';
import { amountOf, amountText, changeText, lateText, reasonsText, stripOf, weightText } from './learning-words';
import { ProposalsPage } from './proposals.page';

const AT = '2026-11-03T09:00:00.000Z';
const proposal: NormProposalLine = {
  ...{ norm: 'spoil.fold.running', kind: 'running', subject: 'Fold', name: 'Running spoilage', unit: 'share' },
  ...{ now: 0.01, value: 0.016, low: 0.0147, high: 0.0173, weight: 20_000, logged: 5_000, upTo: 9 },
  evidence: [
    {
      ...{ entry: 9, job: 4, number: 'HB-4', step: 'fold', title: 'Fold', machine: 'Buckle folder', closed: AT },
      ...{ value: 0.02, amount: 100_000, weight: 5_000 },
    },
  ],
};
const learning: Learning = { seen: 7, closed: 3, waiting: 0, proposals: [proposal], decided: [] };

describe('what the log says, in words', () => {
  it('of proposals', () => {
    expect(weightText(proposal)).toBe('1 run counts for 5,000 units, the norm for 20,000');
    expect(weightText({ ...proposal, kind: 'efficiency', weight: 40, logged: 7.5 })).toMatch(
      /7.5 h, the norm for 40 h/,
    );
    expect(weightText({ ...proposal, kind: 'set-up', weight: 10 })).toBe('1 run; the norm counts for 10');
    expect([amountText('running', 4_000), amountText('efficiency', 2), amountText('set-up', 1)]).toEqual([
      '4,000 units',
      '2 h',
      '1 set-up',
    ]);
    expect([changeText(proposal), changeText({ now: 4, value: 3 }), changeText({ now: 2, value: 5 })]).toEqual([
      '60 % more',
      '25 % less',
      '2.5 times',
    ]);
    expect(changeText({ now: 0, value: 3 })).toBe('more');
  });

  it('of marks on a strip: all of them within it, in their order', () => {
    const { now, low, value, high } = stripOf(proposal);
    expect(now).toBeGreaterThan(0);
    expect([low > now, value > low, high > value, high < 100]).toEqual([true, true, true, true]);
    expect(stripOf({ now: 1, value: 1, low: 1, high: 1 })).toEqual({ now: 50, value: 50, low: 50, high: 50 });
  });

  it('of what happened', () => {
    expect([null, 0, 1, -3].map((late) => lateText({ late }))).toEqual([
      '',
      'on the day',
      '1 day late',
      '3 days early',
    ]);
    expect(amountOf(0.256, 'h')).toBe('0.26 h');
    expect(amountOf(12.4, 'sheet')).toBe('12 sheets');
    const line: Happened['jobs'][number]['differences'][number] = {
      ...{ step: 'cut', title: 'Cut', machine: null, unit: 'h', planned: 0, happened: 1, cost: 1 },
      what: 'stops',
      reasons: [
        ['jam', 0.5],
        ['break', 0.25],
      ],
    };
    expect(reasonsText(line)).toBe('jam 0.5 h, break 0.3 h');
  });
});

describe('the pages', () => {
  let decided: NormDecisions[];
  let answers: Subject<Learning>;
  const happened: Happened = {
    ...{ month: '2026-11', months: ['2026-11', '2026-10'], currency: 'EUR', waiting: 0 },
    jobs: [
      {
        job: { id: 4, number: 'HB-4', title: 'Map', customer: 'Guides', due: '2026-11-05' },
        ...{ closed: 2, last: AT, late: 2 },
        planned: { sheets: 1_000, hours: 4, cost: 200 },
        happened: { sheets: 1_100, hours: 3, cost: 250 },
        differences: [],
      },
    ],
  };
  beforeEach(() => {
    decided = [];
    answers = new Subject();
    const api = {
      learning: () => of(learning),
      happened: () => of(happened),
      decide: (decisions: NormDecisions) => {
        decided.push(decisions);
        return answers;
      },
    };
    TestBed.configureTestingModule({
      providers: [
        provideRouter([]),
        provideStore({ [sessionFeature.name]: sessionFeature.reducer }),
        { provide: LearningApi, useValue: api },
        { provide: Api, useValue: { works: () => of(SHIPPED_WORKS) } },
        { provide: Live, useValue: { on: () => NEVER } },
      ],
    });
  });
  const as = (rights: readonly string[] | undefined): void => {
    const account = testAccount(rights as never);
    TestBed.inject(Store).dispatch(SessionActions.found({ account, demo: false, first: false }));
  };
  const textOf = <T>({ nativeElement }: ComponentFixture<T>): string =>
    ((nativeElement as HTMLElement).textContent ?? '').replace(/\s+/g, ' ');

  it('take what is ticked, by what was seen', async () => {
    as(undefined);
    const fixture = TestBed.createComponent(ProposalsPage);
    await fixture.whenStable();
    expect(textOf(fixture)).toContain('1 norm, by 3 closed stations');
    expect(textOf(fixture)).toMatch(/Running spoilage1 %1.6 %60 % more/);
    const host = fixture.nativeElement as HTMLElement;
    host.querySelector<HTMLInputElement>('input[type=checkbox]')?.click();
    await fixture.whenStable();
    [...host.querySelectorAll('button')].find((one) => one.textContent.includes('Take'))?.click();
    expect(decided).toEqual([
      { decisions: [{ norm: proposal.norm, taken: true, value: 0.016, upTo: 9 }], seen: 7, reason: '' },
    ]);
    answers.next({ ...learning, proposals: [] });
    await fixture.whenStable();
    expect(textOf(fixture)).toContain('Nothing to decide');
  });

  it('let nobody tick who may not change norms', async () => {
    as([]);
    const fixture = TestBed.createComponent(ProposalsPage);
    await fixture.whenStable();
    expect((fixture.nativeElement as HTMLElement).querySelector('input[type=checkbox]')).toBeNull();
  });

  it('tell a month job by job', async () => {
    as(undefined);
    const fixture = TestBed.createComponent(HappenedPage);
    await fixture.whenStable();
    expect(textOf(fixture)).toMatch(
      /HB-4 Map .*1,000 → 1,100 \+10 % ?4 → 3 −25 % ?200.00 → 250.00 \+25 % ?2 days late ?none/,
    );
  });
});
