import type { Artwork, ArtworkPages, Job } from '../job/index.js';
import { type ComponentLayout, type PagePlaced, artworkFits, pagesWanted, placePagesOf } from '../press-sheet/index.js';
import { withInk } from '../edit/index.js';
import { pressIssues } from '../plan/index.js';
import { inkOf } from '../prepress/index.js';
import { bareName, tenth } from '../kernel/index.js';
import type { RuleId } from '../route/index.js';
import type { RouteFacts } from './facts.js';
import type { Found, Mend } from './finding.js';
import type { Predicate } from './predicate.js';

/** A file of artwork beside what it is of. */
interface Beside {
  readonly artwork: Artwork;
  readonly placed: readonly PagePlaced[];
  readonly has: number;
  readonly wants: number;
  readonly layouts: ReadonlyMap<string, ComponentLayout>;
  /** Station at which a component is printed. */
  readonly stepOf: (component: string) => string;
}

function besideOf({ job, stations }: RouteFacts): Beside[] {
  if (!job.artwork?.length) return [];
  const layouts = new Map(stations.flatMap(({ layout }) => (layout ? [[layout.component.id, layout] as const] : [])));
  const stepOf = (id: string): string => {
    const on = job.components.find((one) => one.id === id)?.on ?? id;
    const own = job.route.filter(({ component }) => component === on);
    return (own.find(({ operation }) => operation === 'print') ?? own[0] ?? job.route[0])?.id ?? '';
  };
  return job.artwork.map((artwork) => {
    const wanted = pagesWanted(job, artwork.of, layouts);
    return { artwork, ...placePagesOf(artwork, wanted), wants: wanted.length, layouts, stepOf };
  });
}

/** A rule about the pages of a component: one finding for each component of a file, at the page that is worst. */
const worstPage =
  (
    look: (one: PagePlaced, beside: Beside, facts: RouteFacts) => (Omit<Found, 'step'> & { off: number }) | undefined,
  ): Predicate =>
  (facts) =>
    besideOf(facts).flatMap((beside): Found[] => {
      const worst = new Map<string, Found & { off: number }>();
      for (const one of beside.placed) {
        const found = look(one, beside, facts);
        const { component } = one.wanted;
        if (!found || found.off <= (worst.get(component)?.off ?? 0)) continue;
        const artwork = { file: beside.artwork.name, page: one.page };
        worst.set(component, { step: beside.stepOf(component), artwork, ...found });
      }
      return [...worst.values()].map(({ off: _off, ...found }) => found);
    });

const isEmpty = ({ inks, rgb }: ArtworkPages): boolean => inks.length === 0 && rgb !== true;

const versionsOf = ({ components }: Job, { of }: Artwork): number =>
  Math.max(1, ...components.map(({ id, versions }) => (of.includes(id) ? (versions?.names.length ?? 1) : 1)));

/** A file with more or fewer pages than are printed; where there are versions it may have those of all. */
const pageCount: Predicate = (facts) =>
  besideOf(facts).flatMap(({ artwork, has, wants, stepOf }) =>
    has === wants || has === wants * versionsOf(facts.job, artwork)
      ? []
      : [
          {
            step: stepOf(artwork.of[0] ?? ''),
            value: has,
            limit: wants,
            unit: 'pages',
            artwork: { file: artwork.name },
          },
        ],
  );

/** Pages of another size than what is trimmed. */
const pageSize = worstPage(({ found, wanted }, { artwork, placed }, { job }) => {
  if (artworkFits(found, wanted)) return undefined;
  const components = job.components.filter(
    ({ id, carries }) => (wanted.bound ? artwork.of.includes(id) : id === wanted.component) && carries === undefined,
  );
  const [width, height] = [
    Math.abs(found.widthMm - (wanted.widthMm ?? 0)),
    Math.abs(found.heightMm - (wanted.heightMm ?? 0)),
  ];
  const size = { widthMm: tenth(found.widthMm), heightMm: tenth(found.heightMm) };
  // A section's pages are all of one size, so that a stray one is mended in the file; what a form carries has its own.
  const alike = placed.every(
    ({ found: other }) => other.widthMm === found.widthMm && other.heightMm === found.heightMm,
  );
  const mend: Mend | undefined =
    components.length === 0 || !alike
      ? undefined
      : { kind: 'trim', components: components.map(({ id }) => id), ...size };
  const side =
    width > height ? ([found.widthMm, wanted.widthMm] as const) : ([found.heightMm, wanted.heightMm] as const);
  return { off: Math.max(width, height), value: tenth(side[0]), limit: side[1], unit: 'mm', mend };
});

/** Less bleed than the layout leaves room for: pages of a spine need none there. */
const bleed = worstPage(({ found, wanted }, { layouts }, { norms }) => {
  const layout = layouts.get(wanted.component);
  if (isEmpty(found) || !layout) return undefined;
  const limit = wanted.bound ? norms('layout.bleed').value : layout.bleedMm;
  const value = tenth(wanted.bound ? found.boundBleedMm : found.bleedMm);
  return value < limit ? { off: limit - value, value, limit, unit: 'mm' } : undefined;
});

/** More ink in one place than the works has laid dry. */
const totalInk = worstPage(({ found: { totalInk: value = 0 } }, _beside, { norms }) => {
  const limit = norms('ink.totalLimit').value;
  return value > limit ? { off: value - limit, value, limit, unit: 'share' } : undefined;
});

/** Colours that are no inks. */
const separated = worstPage(({ found }) => (found.rgb ? { off: 1 } : undefined));

/** Whether the press of a component takes one ink more: a mend leaves nothing that cannot be planned. */
function hasUnit(job: Job, mend: Extract<Mend, { kind: 'ink' }>, layout: ComponentLayout | undefined): boolean {
  const { components } = withInk(job, mend.component, mend.sides, mend.ink, true);
  const after = components.find(({ id }) => id === mend.component);
  return !!layout && !!after && pressIssues(after, layout.machine, layout.path, layout.caliperUm).length === 0;
}

/** Inks that a file has and its component does not print, at the first page of each. */
const missingInks: Predicate = (facts) =>
  besideOf(facts).flatMap(({ artwork, placed, layouts, stepOf }): Found[] => {
    const told = new Map<string, Found>();
    for (const { page, found, wanted } of placed) {
      const component = facts.job.components.find(({ id }) => id === wanted.component);
      const prints = new Set(wanted.sides.flatMap((side) => component?.[side] ?? []).map(({ name }) => bareName(name)));
      for (const ink of found.inks) {
        const key = `${wanted.component} ${wanted.sides.join()} ${bareName(ink)}`;
        if (prints.has(bareName(ink)) || told.has(key)) continue;
        const mend = { kind: 'ink', component: wanted.component, sides: wanted.sides, ink, prints: true } as const;
        told.set(key, {
          step: stepOf(wanted.component),
          artwork: { file: artwork.name, page, ink },
          ...(hasUnit(facts.job, mend, layouts.get(wanted.component)) ? { mend } : {}),
        });
      }
    }
    return [...told.values()];
  });

/** What is no part of a picture: it is laid over or under all of it. */
const IS_LAID = ['ground', 'varnish', 'coating'];

/** Inks of a component that no page of its files has. */
const emptyInks: Predicate = (facts) => {
  const { job, works } = facts;
  const beside = besideOf(facts);
  const isLaid = (name: string): boolean => IS_LAID.includes(inkOf(job, works, name).kind);
  return job.components.flatMap((component): Found[] => {
    const [one] = beside.filter(({ artwork }) => artwork.of.includes(component.id));
    if (!one) return [];
    return (['front', 'back'] as const).flatMap((side) => {
      const pages = beside.flatMap(({ placed }) =>
        placed.filter(({ wanted }) => wanted.component === component.id && wanted.sides.includes(side)),
      );
      const has = new Set(pages.flatMap(({ found }) => found.inks.map(bareName)));
      // Colours that are no inks yet may become any.
      if (pages.length === 0 || pages.some(({ found }) => found.rgb)) return [];
      return component[side]
        .filter(({ name }) => !isLaid(name) && !has.has(bareName(name)))
        .map(({ name }): Found => ({
          step: one.stepOf(component.id),
          artwork: { file: one.artwork.name, ink: name },
          mend: { kind: 'ink', component: component.id, sides: [side], ink: name, prints: false },
        }));
    });
  });
};

/** Rules about what the files of artwork say beside what is printed. */
export const ARTWORK_PREDICATES = {
  'artwork-pages': pageCount,
  'artwork-size': pageSize,
  'artwork-bleed': bleed,
  'artwork-inks': missingInks,
  'artwork-empty-plates': emptyInks,
  'artwork-separated': separated,
  'artwork-total-ink': totalInk,
} as const satisfies Partial<Record<RuleId, Predicate>>;
