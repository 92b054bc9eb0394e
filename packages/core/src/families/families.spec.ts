import { SHIPPED_WORKS } from '../works/index.js';
import { example, planned } from '../plan/examples.fixture.js';
import type { AskedFamily } from './answers.js';
import { answersOf } from './families.fixture.js';
import { FAMILY_RULES } from './family-rules.js';
import { checkProduct as checkAnswers } from './impossible.js';
import { makeJob as newJob } from './new-job.js';

const ASKED = Object.keys(FAMILY_RULES) as AskedFamily[];

describe('the families', () => {
  it.each(ASKED)('%s plans from its questions alone, every station with a time or a lag', (family) => {
    const job = newJob(family, answersOf(family), SHIPPED_WORKS);
    const plan = planned(job);
    expect(plan.advice).toEqual([]);
    expect(plan.steps.filter(({ hours, lagHours }) => !(hours + lagHours > 0)).map(({ id }) => id)).toEqual([]);
    expect(plan.edges.filter(({ to }) => to === null)).toHaveLength(1);
  });

  it('closes an envelope by a string around two buttons, and notches a spine instead of milling it', () => {
    const envelope = newJob('envelope', { ...answersOf('envelope'), closure: 'string' }, SHIPPED_WORKS);
    const plan = planned(envelope);
    const rivet = plan.steps.find(({ operation }) => operation === 'rivet');
    expect(envelope.route.some(({ operation }) => operation === 'gum')).toBe(false);
    expect(plan.figures['part.button.count']?.value).toBe(2 * (rivet?.processUnits ?? 0));
    const spine = (kind: 'milled' | 'notched') =>
      planned(newJob('perfect-bound', { ...answersOf('perfect-bound'), spine: kind }, SHIPPED_WORKS)).layouts[
        'section-1'
      ];
    const [milled, notched] = [spine('milled'), spine('notched')];
    // 2.5 mm beside every spine fold: 5 mm for each pair of leaves across the piece.
    const folds = (milled?.section?.columns ?? 0) / 2;
    expect((milled?.piece.widthMm ?? 0) - (notched?.piece.widthMm ?? 0)).toBeCloseTo(5 * folds, 6);
  });

  it('begins dies with a third of the panel that they stand on', () => {
    const wallet = newJob('wallet', { ...answersOf('wallet'), emboss: true }, SHIPPED_WORKS);
    // Panel of 145 mm, 130 mm high; what goes in is 12 mm thick.
    expect(wallet.components[0]?.tools).toMatchObject([{ kind: 'embossing-die', widthMm: 48, heightMm: 43 }]);
  });

  it('takes another sheet where the first does not hold the piece', () => {
    const job = newJob(
      'saddle-stitched',
      { ...answersOf('saddle-stitched'), widthMm: 210, heightMm: 297 },
      SHIPPED_WORKS,
    );
    expect(planned(job).layouts['section-1']?.pattern.count).toBeGreaterThanOrEqual(1);
  });
});

describe('impossible products', () => {
  const wrong = (family: AskedFamily, change: object) =>
    checkAnswers(family, { ...answersOf(family), ...change }, SHIPPED_WORKS).map(({ code, params }) => [code, params]);

  it('a stitched booklet of 200 pages on 170 g: with the most pages that do', () => {
    const [[code, params] = []] = wrong('saddle-stitched', { pages: 200, stock: 'silk-170' });
    expect(code).toBe('bind.too-thick-to-stitch');
    // 4 mm hold 25.6 leaves of 156.4 um: twelve folded sheets of four pages.
    expect(params).toMatchObject({ value: 15.6, limit: 4, most: 48 });
    expect(wrong('saddle-stitched', { pages: 48, stock: 'silk-170' })).toEqual([]);
    expect(wrong('saddle-stitched', { pages: 52, stock: 'silk-170' })).toHaveLength(1);
  });
  it('a glued spine under 3 mm: with the fewest pages that do', () => {
    expect(wrong('perfect-bound', { pages: 32, stock: 'silk-90' })).toMatchObject([
      ['bind.spine-too-thin', { value: 1.3, least: 76 }],
    ]);
    expect(wrong('perfect-bound', { pages: 76, stock: 'silk-90' })).toEqual([]);
    expect(wrong('perfect-bound', { pages: 72, stock: 'silk-90' })).toHaveLength(1);
  });
  it('a panel that no folder takes: with the length that would do', () => {
    expect(wrong('folded', { fold: 'accordion', widthMm: 60, heightMm: 40 })).toEqual([
      ['fold.panel-too-short', { needs: 80 }],
    ]);
    expect(wrong('folded', { fold: 'accordion', widthMm: 80, heightMm: 40 })).toEqual([]);
  });
});

/** Into a step for so much out of it: spoilage of what runs, then the set-up. Reckoned here by hand, chapter 6. */
const into = (out: number, running: number, setup: number, yielded = 1): number =>
  Math.ceil(out / yielded / (1 - running) - 1e-9) + setup;

/** What goes into a station of an example. */
const counts = (name: string): Record<string, number> =>
  Object.fromEntries(planned(example(name)).steps.map(({ id, processUnits }) => [id, processUnits]));

describe('shipped jobs of every family, counted again by hand at each change of unit', () => {
  it('book, glued (4): sections and covers to sets, books, boxes', () => {
    const c = counts('orchid-field-guide');
    const inspect = into(3000, 0.005, 0);
    const trim = into(inspect, 0.002, 5);
    const bind = into(trim, 0.015, 80);
    expect([c['inspect'], c['trim'], c['cool'], c['bind']]).toEqual([inspect, trim, trim, bind]);
    // Twelve sections of 16 pages: each folded once for a set.
    expect(c['fold-section-7']).toBe(into(bind, 0.01, 50 + 10 * 3));
  });

  it('book, sewn and cased (5): two boards, a strip and a cloth to a case', () => {
    const c = counts('star-atlas');
    const cased = into(into(1500, 0.005, 0), 0.01, 10);
    const stamp = into(cased, 0.01, 50);
    const made = into(stamp, 0.01, 10);
    expect([c['case-in'], c['stamp'], c['case']]).toEqual([cased, stamp, made]);
    const plan = planned(example('star-atlas'));
    const up = (id: string) => plan.layouts[id]?.pattern.count ?? 0;
    expect(c['cut-board']).toBe(into(2 * made, 0.002, 5, up('board')));
    expect(c['cut-cloth']).toBe(into(made, 0.002, 5, up('cloth')));
    expect(c['cut-strip']).toBe(into(made, 0.002, 5, up('strip')));
    // Endpapers at the first and the last section.
    const tip = into(c['gather'] ?? 0, 0.005, 10);
    expect([c['tip-section-1'], c['tip-section-12']]).toEqual([tip, tip]);
    expect(c['fold-endpaper']).toBe(into(2 * tip, 0.01, 50 + 10));
    expect(c['cut-endpaper']).toBe(into(c['fold-endpaper'] ?? 0, 0.002, 5, up('endpaper')));
  });

  it('packets (10): through a stack, glued, gummed', () => {
    const c = counts('seed-packets');
    const gum = into(40_000, 0.003, 20);
    const made = into(gum, 0.01, 80);
    const score = into(made, 0.01, 50);
    const up = planned(example('seed-packets')).layouts['packet']?.pattern.count ?? 0;
    expect([c['gum'], c['envelope'], c['score']]).toEqual([gum, made, score]);
    expect(c['die-cut']).toBe(into(score, 0.012, 80, up));
  });

  it('rolls (11): metres of print to rolls of five metres', () => {
    const c = counts('shelf-lining');
    const hand = into(8000, 0.005, 0);
    const rolls = into(hand, 0.001, 0);
    // Ten pieces of 640 mm make 6.4 m: five metres want 7.8125 of them.
    expect([c['hand'], c['wrap']]).toEqual([hand, rolls]);
    expect(c['rewind']).toBe(into(rolls, 0.005, 10, 0.64 / 5));
  });

  it('numbered documents (13): sheets inspected twice, parted into documents', () => {
    const c = counts('season-tickets');
    const wrap = into(12_000, 0.001, 0);
    const up = planned(example('season-tickets')).layouts['document']?.pattern.count ?? 0;
    const cut = into(wrap, 0.002, 5, up);
    const again = into(cut, 0.005, 0);
    const number = into(again, 0.007, 30);
    expect([c['count'], c['cut'], c['inspect-2'], c['number']]).toEqual([wrap, cut, again, number]);
    expect(c['recessed']).toBe(into(into(number, 0.005, 0), 0.03, 60));
    expect(c['screen']).toBe(into(c['recessed'] ?? 0, 0.015, 20));
  });

  it('a wallet (7): tray and insert join it one to one', () => {
    const plan = planned(example('puzzle-wallet'));
    const c = counts('puzzle-wallet');
    const wrap = into(3000, 0.001, 0);
    const insert = into(wrap, 0.005, 0);
    expect([c['wrap'], c['insert'], c['tray-in']]).toEqual([wrap, insert, into(insert, 0.005, 0)]);
    expect(c['glue-tray']).toBe(into(c['tray-in'] ?? 0, 0.01, 100));
    expect(plan.figures['part.insert.count']?.value).toBe(insert);
  });

  it('a laminated box (8): a board for every sheet; a corrugated case (9): a sheet cut off for every print', () => {
    const box = counts('board-game-box');
    expect(planned(example('board-game-box')).figures['part.board.count']?.value).toBe(box['mount']);
    expect(box['glue']).toBe(into(into(4000, 0.001, 0), 0.01, 100));
    const shipper = counts('tea-shipper');
    // 60 m of a change of grade are 57 cut-offs of 1,055 mm, six sheets across.
    expect(shipper['corrugate']).toBe(into(shipper['print-case'] ?? 0, 0.025, 57 * 6));
  });

  it('engraved cards (14) and a book on demand (15)', () => {
    expect(counts('gala-invitations')['inspect']).toBe(into(600, 0.005, 0));
    const c = counts('walking-guide');
    // Two books go into the check so that one comes out; each has 80 leaves.
    expect([c['inspect'], c['bind'], c['cut-leaf']]).toEqual([
      2,
      2,
      Math.ceil((2 * 80) / (planned(example('walking-guide')).layouts['leaf']?.pattern.count ?? 1)),
    ]);
  });

  it('cards (1), sheets of labels (12): by their last stations', () => {
    expect(counts('constellation-cards')['cut']).toBe(
      into(into(12_000, 0.001, 0), 0.002, 5, planned(example('constellation-cards')).layouts['card']?.pattern.count),
    );
    const c = counts('permit-stickers');
    const wrap = into(example('permit-stickers').order.quantity, 0.001, 0);
    expect([c['wrap'], c['inspect'], c['convert']]).toEqual([
      wrap,
      into(wrap, 0.005, 0),
      into(into(wrap, 0.005, 0), 0.008, 30),
    ]);
  });
});
