import type { ArtworkPages, Job } from '../job/index.js';
import { plan } from '../plan/index.js';
import { example } from '../plan/examples.fixture.js';
import type { RuleId } from '../route/index.js';
import { type Works, SHIPPED_WORKS } from '../works/index.js';
import { applyMend, checkRoute } from './check-route.js';

const CMYK = ['C', 'M', 'Y', 'K'];
const page = (change: Partial<ArtworkPages> = {}): ArtworkPages => ({
  count: 1,
  widthMm: 148,
  heightMm: 210,
  bleedMm: 0,
  boundBleedMm: 3,
  inks: CMYK,
  ...change,
});
const filed = (job: Job, pages: readonly ArtworkPages[], of = job.components.map(({ id }) => id)): Job => ({
  ...job,
  artwork: [{ name: 'pages.pdf', of, pages }],
});
function of(job: Job, rule: RuleId, works: Works = SHIPPED_WORKS) {
  const outcome = plan(job, works);
  if (!outcome.ok) throw new Error(outcome.issues.map(({ code }) => code).join());
  return checkRoute(job, outcome.value, works).filter((one) => one.rule === rule);
}
const told = (job: Job): string[] => {
  const outcome = plan(job, SHIPPED_WORKS);
  if (!outcome.ok) throw new Error('no plan');
  return checkRoute(job, outcome.value, SHIPPED_WORKS).map(({ rule }) => rule);
};

describe('artwork beside the job', () => {
  const programme = example('concert-programme');
  const cards = example('constellation-cards');
  const front = page({ widthMm: 105, heightMm: 148, bleedMm: 3, inks: ['K', 'Silver', 'Night blue'] });
  const back = page({ widthMm: 105, heightMm: 148, bleedMm: 3, inks: ['K', 'night  BLUE'] });

  it('that fits breaks nothing, whatever the case of its names', () => {
    expect(told(filed(programme, [page({ count: 40 })]))).toEqual(told(programme));
    expect(told(filed(cards, [front, back]))).toEqual(told(cards));
  });

  it('has as many pages as are printed, or those of all versions', () => {
    expect(of(filed(programme, [page({ count: 38 })]), 'artwork-pages')).toMatchObject([
      { value: 38, limit: 40, artwork: { file: 'pages.pdf' }, step: 'print-section-1', weight: 'hard' },
    ]);
    const one = example('seed-packets');
    const versions = { names: ['Sage', 'Thyme', 'Mint'], inks: ['K'] };
    const packets: Job = { ...one, components: one.components.map((component) => ({ ...component, versions })) };
    const inks = packets.components[0]?.front.map(({ name }) => name) ?? [];
    const pages = (count: number): ArtworkPages[] => [page({ count, bleedMm: 3, inks })];
    expect(of(filed(packets, pages(3)), 'artwork-pages')).toEqual([]);
    expect(of(filed(packets, pages(1)), 'artwork-pages')).toEqual([]);
    expect(of(filed(packets, pages(2)), 'artwork-pages')).toMatchObject([{ value: 2, limit: 1 }]);
  });

  it('of another size is told at its worst page, and the whole book takes its size', () => {
    const job = filed(programme, [page({ count: 39 }), page({ heightMm: 200 })]);
    expect(of(job, 'artwork-size')).toMatchObject([
      { value: 200, limit: 210, artwork: { page: 40 }, step: 'print-cover' },
    ]);
    // One page among others is wrong in the file: the book does not follow it.
    expect(of(job, 'artwork-size')[0]?.mend).toBeUndefined();
    const all = filed(programme, [page({ count: 40, widthMm: 145, heightMm: 205 })]);
    const [found] = of(all, 'artwork-size');
    if (!found?.mend) throw new Error('no mend');
    const mended = applyMend(all, found.mend);
    expect(mended.components.map(({ widthMm, heightMm }) => [widthMm, heightMm])).toEqual(
      programme.components.map(() => [145, 205]),
    );
    expect(of(mended, 'artwork-size')).toEqual([]);
  });

  it('needs bleed all round, at a spine on the other sides; a page without a picture needs none', () => {
    expect(of(filed(cards, [{ ...front, bleedMm: 1 }, back]), 'artwork-bleed')).toMatchObject([
      { value: 1, limit: 3, unit: 'mm', artwork: { page: 1 } },
    ]);
    expect(of(filed(cards, [{ ...front, bleedMm: 1, inks: [] }, back]), 'artwork-bleed')).toEqual([]);
    expect(of(filed(programme, [page({ count: 40, boundBleedMm: 2 })]), 'artwork-bleed')).toHaveLength(3);
  });

  it('with an ink that is not printed is mended on the side where it is', () => {
    const job = filed(cards, [front, { ...back, inks: ['K', 'Night blue', 'Rose'] }]);
    const [found, ...others] = of(job, 'artwork-inks');
    expect(others).toEqual([]);
    expect(found).toMatchObject({
      artwork: { page: 2, ink: 'Rose' },
      mend: { kind: 'ink', component: 'card', sides: ['back'], ink: 'Rose', prints: true },
    });
    if (!found?.mend) throw new Error('no mend');
    const mended = applyMend(job, found.mend);
    expect(mended.components[0]?.back.map(({ name }) => name)).toEqual(['K', 'Night blue', 'Rose']);
    expect(mended.components[0]?.front).toEqual(cards.components[0]?.front);
    expect(of(mended, 'artwork-inks')).toEqual([]);
  });

  it('with an ink that the press has no unit for is told, and no mend breaks the plan', () => {
    // Four and four on a press of eight units.
    const [found] = of(filed(programme, [page({ count: 40, inks: [...CMYK, 'Rose'] })]), 'artwork-inks');
    expect(found).toMatchObject({ artwork: { ink: 'Rose' } });
    expect(found?.mend).toBeUndefined();
  });

  it('without an ink that is printed leaves a plate empty; varnish needs no page, and what is no ink yet may be any', () => {
    const job = filed(cards, [{ ...front, inks: ['K', 'Night blue'] }, back]);
    const [found, ...others] = of(job, 'artwork-empty-plates');
    expect(others).toEqual([]);
    expect(found).toMatchObject({
      artwork: { ink: 'Silver' },
      mend: { sides: ['front'], ink: 'Silver', prints: false },
    });
    if (!found?.mend) throw new Error('no mend');
    expect(of(applyMend(job, found.mend), 'artwork-empty-plates')).toEqual([]);
    expect(of(filed(cards, [{ ...front, inks: [], rgb: true }, back]), 'artwork-empty-plates')).toEqual([]);
    const varnished = { ...job, inks: (job.inks ?? []).map((ink) => ({ ...ink, kind: 'varnish' as const })) };
    expect(of(varnished, 'artwork-empty-plates')).toEqual([]);
    // The same by what the house says of the ink, where the job says nothing.
    const silver = { id: 'silver', name: 'Silver', kind: 'varnish' as const, cleared: [] };
    const house = { ...SHIPPED_WORKS, inks: [...(SHIPPED_WORKS.inks ?? []), silver] };
    expect(of({ ...job, inks: [] }, 'artwork-empty-plates')).toHaveLength(1);
    expect(of({ ...job, inks: [] }, 'artwork-empty-plates', house)).toEqual([]);
  });

  it('in two files is looked at together: the plate of one may be in the other', () => {
    const halves: Job = {
      ...cards,
      artwork: [
        { name: 'front.pdf', of: ['card'], pages: [{ ...front, inks: ['K'] }] },
        { name: 'both.pdf', of: ['card'], pages: [front, back] },
      ],
    };
    expect(of(halves, 'artwork-empty-plates')).toEqual([]);
    expect(of(halves, 'artwork-pages')).toMatchObject([{ value: 1, limit: 2, artwork: { file: 'front.pdf' } }]);
  });

  it('in colours that are no inks, and with more ink than dries, is told', () => {
    const job = filed(cards, [
      { ...front, rgb: true },
      { ...back, totalInk: 3.4 },
    ]);
    expect(of(job, 'artwork-separated')).toMatchObject([{ artwork: { page: 1 }, weight: 'soft' }]);
    expect(of(job, 'artwork-total-ink')).toMatchObject([{ artwork: { page: 2 }, value: 3.4, limit: 3 }]);
  });
});
