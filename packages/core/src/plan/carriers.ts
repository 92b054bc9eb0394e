import type { Figures } from '../kernel/index.js';
import { type CarrierKind, CARRIER_OF, STYLE_RULES, distortionPercent } from '../press/index.js';
import { type NormLookup, type Works, normsOf, printingOf } from '../works/index.js';
import { lifeNorm } from './carrier-norms.js';
import type { ComponentLayout } from './component-layout.js';
import { FACE_ALLOWANCE_MM, cylinderRoute } from './cylinder-route.js';
import { unitsOf } from './inks.js';
import type { Component, Job } from './job.js';
import { carriersPerColour } from './step-norms.js';
import { overprintsOf } from './overprint.js';
import { usesHeldCarriers } from './split-run.js';
import { toolsOf } from './tools.js';

/** One plate, cylinder, stencil, die or box that has to be there before the press starts. */
export interface Carrier {
  /** Stays the same while the job is edited: component, side, ink, version, set, position. */
  readonly id: string;
  readonly kind: CarrierKind;
  readonly component: string;
  /** Pass on another press that it is for; undefined at the component's own. */
  readonly step: string | undefined;
  readonly name: string;
  readonly side: 'front' | 'back' | 'both' | undefined;
  readonly ink: string | undefined;
  readonly version: string | undefined;
  /** From 1; a further set replaces a worn one. */
  readonly set: number;
  /** Place on the form or cylinder, from 1, where a colour has several. */
  readonly position: number | undefined;
  /** Unit of the press, from 1. */
  readonly unit: number | undefined;
  readonly widthMm: number | undefined;
  readonly heightMm: number | undefined;
  readonly gaugeMm: number | undefined;
  readonly pins: string | undefined;
  readonly rulingLpi: number | undefined;
  readonly angle: number | undefined;
  /** Flexo: shortened in the making by so many per cent. */
  readonly distortionPercent: number | undefined;
  readonly note: string | undefined;
  readonly makingHours: number;
  /** Impressions that the job asks of it, and that it stands. */
  readonly impressions: number;
  readonly life: number;
  readonly owner: 'house' | 'customer';
  /** Two carriers of this key carry the same image: a reorder finds them. */
  readonly key: string;
}

/** Usual screen angles, degrees; flexo turns the set by 7.5. Source: practice, handbook chapter 4. */
const ANGLES: Readonly<Record<string, number>> = { C: 15, M: 75, Y: 0, K: 45 };
const FLEXO_TURN = 7.5;
/** Middle of the usual rulings, lines an inch. Source: practice, handbook chapter 4. */
const RULING = { coated: 175, uncoated: 135 } as const;
const slug = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '') || 'x';

function makingHours(kind: CarrierKind, layout: ComponentLayout | undefined, norms: NormLookup): number {
  const value = (id: string): number => norms(id).value;
  if (kind === 'cylinder' && layout) return cylinderRoute(layout, norms).reduce((sum, { hours }) => sum + hours, 0);
  if (kind === 'numbering-box') return 0;
  if (kind.endsWith('die') || kind.endsWith('counter')) return value('carrier.die.hours');
  return value(`carrier.${kind}.minutes`) / 60;
}

type Named = Pick<Carrier, 'side' | 'version' | 'set' | 'position'>;

/** Size, screen and note of a printing carrier. */
function made(
  kind: CarrierKind,
  layout: ComponentLayout,
  ink: string,
): Pick<Carrier, 'widthMm' | 'heightMm' | 'gaugeMm' | 'pins' | 'rulingLpi' | 'angle' | 'distortionPercent' | 'note'> {
  const { component, machine, stock, piece } = layout;
  const plate = machine.press?.plate;
  const { carriers } = component;
  const repeat = component.sheet.heightMm;
  const flexo = kind === 'flexo-plate';
  const screened = kind === 'plate' || flexo || kind === 'form-plate' || kind === 'stencil';
  const usual = ANGLES[ink];
  const flat = flexo && plate?.baseMm !== undefined && plate.inTheRound !== true;
  const size =
    kind === 'cylinder'
      ? { widthMm: component.sheet.widthMm + 2 * FACE_ALLOWANCE_MM, heightMm: repeat }
      : kind === 'form-plate'
        ? { widthMm: piece.widthMm, heightMm: piece.heightMm }
        : { widthMm: plate?.widthMm, heightMm: flexo ? repeat : plate?.heightMm };
  const images = carriers?.imagesPerPlate ?? 1;
  return {
    ...size,
    gaugeMm: plate?.gaugeMm,
    pins: plate?.pins,
    rulingLpi: screened ? (carriers?.rulingLpi ?? RULING[stock.coated ? 'coated' : 'uncoated']) : undefined,
    angle: screened
      ? (carriers?.angles?.[ink] ?? (usual === undefined ? undefined : usual + (flexo ? FLEXO_TURN : 0)))
      : undefined,
    distortionPercent: flat ? distortionPercent(plate.gaugeMm, plate.baseMm ?? 0, repeat) : undefined,
    note:
      kind === 'cylinder'
        ? `engraved by ${carriers?.engraving ?? 'stylus'}`
        : kind === 'recessed-plate' && images > 1
          ? `one etched plate cut into ${images} images`
          : undefined,
  };
}

/** Sides that have carriers of their own; one set serves both in work-and-turn and work-and-tumble. */
function formSides({ workStyle, front, back }: Component): { side: 'front' | 'back' | 'both'; inks: string[] }[] {
  const [one, other] = [front, back].map((inks) => inks.map(({ name }) => name)) as [string[], string[]];
  if (STYLE_RULES[workStyle].samePlates) return [{ side: 'both', inks: one.length >= other.length ? one : other }];
  return [
    { side: 'front' as const, inks: one },
    ...(workStyle === 'single' ? [] : [{ side: 'back' as const, inks: other }]),
  ];
}

interface Context {
  readonly job: Job;
  readonly works: Works;
  readonly norms: NormLookup;
  readonly figures: Figures;
}

/** A recessed plate prints against a counter of its own. */
function withCounter(carrier: Carrier): Carrier[] {
  if (carrier.kind !== 'recessed-plate') return [carrier];
  const { id, key } = carrier;
  return [
    carrier,
    { ...carrier, id: `${id}.counter`, kind: 'counter', key: `${key}/counter`, note: 'made from the first print' },
  ];
}

/** Carriers of passes on other presses: one an ink, as many sets as wear out. */
function overprintCarriers(
  { job, works, norms, figures }: Context,
  layouts: Readonly<Record<string, ComponentLayout>>,
): Carrier[] {
  return overprintsOf(job, works, (id) => layouts[id]).flatMap(({ step, inks, layout, kind }) => {
    if (!kind) return [];
    const { component } = layout;
    const impressions = figures[`step.${step.id}.processUnits`]?.value ?? 0;
    const life = norms(lifeNorm(kind)).value;
    const sets = Math.max(1, Math.ceil(impressions / life));
    return inks.flatMap(({ name: ink }) =>
      Array.from({ length: sets }, (_, i) => i + 1).flatMap((set) => {
        const parts = [component.id, step.id, slug(ink), ...(set > 1 ? [`s${set}`] : [])];
        return withCounter({
          id: parts.join('.'),
          kind,
          component: component.id,
          step: step.id,
          name: component.name,
          ink,
          side: 'front',
          version: undefined,
          set,
          position: undefined,
          unit: undefined,
          ...made(kind, layout, ink),
          makingHours: makingHours(kind, layout, norms),
          impressions: Math.ceil(impressions / sets),
          life,
          owner: component.carriers?.owner ?? 'house',
          key: [job.customer, job.title, ...parts, component.sheet.widthMm, component.sheet.heightMm]
            .map(String)
            .map(slug)
            .join('/'),
        });
      }),
    );
  });
}

function printingCarriers({ job, works, norms, figures }: Context, layout: ComponentLayout): Carrier[] {
  const { component, machine } = layout;
  const kind = CARRIER_OF[printingOf(machine)];
  if (!kind || usesHeldCarriers(job, component)) return [];
  const value = (id: string): number => figures[`component.${component.id}.${id}`]?.value ?? 0;
  const life = norms(lifeNorm(kind)).value;
  const impressions = value('pressSheets') * value('impressionsPerSheet');
  const names = component.versions?.names ?? [];
  const units = unitsOf(job, works, component, machine).flatMap(({ inks }) => inks);
  const positions = carriersPerColour(layout);
  const one = (ink: string, where: Named, share: number, sets: number): Carrier[] => {
    const parts = [
      component.id,
      where.side ?? 'both',
      slug(ink),
      ...(where.version === undefined ? [] : [slug(where.version)]),
      ...(where.set > 1 ? [`s${where.set}`] : []),
      ...(where.position === undefined ? [] : [`p${where.position}`]),
    ];
    const unit = units.find(({ name, side }) => name === ink && (where.side === 'both' || side === where.side))?.unit;
    const carrier: Carrier = {
      id: parts.join('.'),
      kind,
      component: component.id,
      step: undefined,
      name: component.name,
      ink,
      ...where,
      unit: unit === undefined ? undefined : unit + 1,
      ...made(kind, layout, ink),
      makingHours: makingHours(kind, layout, norms) / (component.carriers?.imagesPerPlate ?? 1),
      impressions: Math.ceil((impressions * share) / sets),
      life,
      owner: component.carriers?.owner ?? 'house',
      key: [job.customer, job.title, ...parts, component.sheet.widthMm, component.sheet.heightMm]
        .map(String)
        .map(slug)
        .join('/'),
    };
    return withCounter(carrier);
  };
  return formSides(component).flatMap(({ side, inks }) =>
    inks.flatMap((ink) => {
      const changes = names.length > 0 && (component.versions?.inks.includes(ink) ?? false);
      const versions: readonly (string | undefined)[] = changes ? names : [undefined];
      const share = 1 / versions.length;
      const sets = Math.max(1, Math.ceil((impressions * share) / life));
      return versions.flatMap((version) =>
        Array.from({ length: sets }, (_, set) => set + 1).flatMap((set) =>
          Array.from({ length: positions }, (_, i) => (positions > 1 ? i + 1 : undefined)).flatMap((position) =>
            one(ink, { side, version, set, position }, share, sets),
          ),
        ),
      );
    }),
  );
}

function toolCarriers({ job, norms, figures }: Context, component: Component): Carrier[] {
  const all = toolsOf(job, component);
  const impressions = figures[`component.${component.id}.pressSheets`]?.value ?? 0;
  return all.flatMap((tool) =>
    Array.from({ length: tool.count ?? 1 }, (_, i): Carrier[] => {
      const position = (tool.count ?? 1) > 1 ? i + 1 : undefined;
      const id = [component.id, tool.id, ...(position === undefined ? [] : [`p${position}`])].join('.');
      const shape =
        tool.kind === 'cutting-die' ? JSON.stringify(component.die ?? component.tools) : `${job.customer}/${job.title}`;
      const numbered =
        tool.kind === 'numbering-box'
          ? [
              `from ${tool.start ?? 1}`,
              `step ${tool.step ?? 1}`,
              ...(tool.check ? ['check character'] : []),
              ...(tool.skips ? [`without ${tool.skips}`] : []),
            ].join(', ')
          : undefined;
      const carrier: Carrier = {
        id,
        kind: tool.kind,
        component: component.id,
        step: undefined,
        name: tool.name,
        side: undefined,
        ink: undefined,
        version: undefined,
        set: 1,
        position,
        unit: undefined,
        widthMm: undefined,
        heightMm: undefined,
        gaugeMm: undefined,
        pins: undefined,
        rulingLpi: undefined,
        angle: undefined,
        distortionPercent: undefined,
        note: tool.kind === 'foil-die' ? 'heated; gloves for heat, cool-down before handling' : numbered,
        makingHours: makingHours(tool.kind, undefined, norms),
        impressions,
        life: norms(lifeNorm(tool.kind)).value,
        owner: tool.owner ?? 'house',
        key: [tool.kind, shape, component.widthMm ?? '', component.heightMm ?? '', tool.id, position ?? '']
          .map(String)
          .map(slug)
          .join('/'),
      };
      if (tool.kind !== 'embossing-die' || !tool.counter) return [carrier];
      return [carrier, { ...carrier, id: `${id}.counter`, kind: 'embossing-counter', key: `${carrier.key}/counter` }];
    }).flat(),
  );
}

/**
 * Every carrier that a planned job wants, in order of components, sides, inks, versions, sets and positions. Its printing
 * carriers are as many as the plan's plates (identity; counters and dies are beside them).
 * Source: handbook chapter 4 "Image carriers".
 */
export function listCarriers(
  job: Job,
  plan: { readonly figures: Figures; readonly layouts: Readonly<Record<string, ComponentLayout>> },
  works: Works,
): Carrier[] {
  const context = { job, works, norms: normsOf(works, job.norms), figures: plan.figures };
  const own = job.components.flatMap((component) => {
    const layout = plan.layouts[component.id];
    return [...(layout ? printingCarriers(context, layout) : []), ...toolCarriers(context, component)];
  });
  return [...own, ...overprintCarriers(context, plan.layouts)];
}
