import { type Figures, valueAt } from '../kernel/index.js';
import { CARRIER_OF, STYLE_RULES } from '../press/index.js';
import { type NormLookup, normsOf } from '../norms/index.js';
import { type Works, printingOf } from '../works/index.js';
import { type ComponentField, figureId, type Component, type Job, type Tool } from '../job/index.js';
import { type ComponentLayout, carriersPerColour } from '../press-sheet/index.js';
import { type Carrier, imageKey, made, makingHours, slug, withCounter } from './carrier.js';
import { lifeNorm } from './carrier-norms.js';
import { unitsOf } from './inks.js';
import { overprintsOf } from './overprints.js';
import { usesHeldCarriers } from './held-carriers.js';
import { type ToolSet, toolSets } from './tools.js';

type Named = Pick<Carrier, 'side' | 'version' | 'set' | 'position'>;

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
  readonly value: (id: string) => number;
}

/** Carriers of passes on other presses: one an ink, as many sets as wear out. */
function overprintCarriers(
  { job, works, norms, value }: Context,
  layouts: Readonly<Record<string, ComponentLayout>>,
): Carrier[] {
  return overprintsOf(job, works, (id) => layouts[id]).flatMap(({ step, inks, layout, kind }) => {
    if (!kind) return [];
    const { component } = layout;
    const impressions = value(figureId.step(step.id, 'processUnits'));
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
          key: imageKey(job, component, parts),
        });
      }),
    );
  });
}

function printingCarriers({ job, works, norms, value }: Context, layout: ComponentLayout): Carrier[] {
  const { component, machine } = layout;
  const kind = CARRIER_OF[printingOf(machine)];
  if (!kind || usesHeldCarriers(job, component)) return [];
  const own = (field: ComponentField): number => value(figureId.component(component.id, field));
  const life = norms(lifeNorm(kind)).value;
  const impressions = own('pressSheets') * own('impressionsPerSheet');
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
      key: imageKey(job, component, parts),
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

/** What has no side, ink, version, size or screen. */
const PLAIN = {
  step: undefined,
  side: undefined,
  ink: undefined,
  version: undefined,
  set: 1,
  unit: undefined,
  widthMm: undefined,
  heightMm: undefined,
  gaugeMm: undefined,
  pins: undefined,
  rulingLpi: undefined,
  angle: undefined,
  distortionPercent: undefined,
} as const;

const TOOL_NOTES: Partial<Readonly<Record<Tool['kind'], string>>> = {
  'foil-die': $localize`heated; gloves for heat, cool-down before handling`,
  'embossing-roller': $localize`one of a pair, tried on the stock of the job`,
};

/** How a numbering box is set, in words. */
const numberNote = (tool: Tool): string =>
  [
    $localize`from ${tool.start ?? 1}`,
    $localize`step ${tool.step ?? 1}`,
    ...((tool.checkSystem ?? (tool.check ? 'MOD 97-10' : 'none')) === 'none' ? [] : [$localize`check character`]),
    ...(tool.skips ? [$localize`without ${tool.skips}`] : []),
  ].join(', ');

/** Dies, rollers and numbering boxes, one for each position, each embossing die with its counter. */
function toolCarriers({ job, norms, value }: Context, { component, tool, count }: ToolSet): Carrier[] {
  const shape =
    tool.kind === 'cutting-die' ? JSON.stringify(component.die ?? component.tools) : `${job.customer}/${job.title}`;
  return Array.from({ length: count }, (_, i) => (count > 1 ? i + 1 : undefined)).flatMap((position) => {
    const carrier: Carrier = {
      ...PLAIN,
      id: [component.id, tool.id, ...(position === undefined ? [] : [`p${position}`])].join('.'),
      kind: tool.kind,
      component: component.id,
      name: tool.name,
      position,
      note: tool.kind === 'numbering-box' ? numberNote(tool) : TOOL_NOTES[tool.kind],
      makingHours: makingHours(tool.kind, undefined, norms),
      impressions: value(figureId.component(component.id, 'pressSheets')),
      life: norms(lifeNorm(tool.kind)).value,
      owner: tool.owner ?? 'house',
      key: [tool.kind, shape, component.widthMm ?? '', component.heightMm ?? '', tool.id, position ?? '']
        .map(String)
        .map(slug)
        .join('/'),
    };
    if (tool.kind !== 'embossing-die' || !tool.counter) return [carrier];
    return [
      carrier,
      { ...carrier, id: `${carrier.id}.counter`, kind: 'embossing-counter' as const, key: `${carrier.key}/counter` },
    ];
  });
}

/** Id of the plate that the imager is tried with, where the works asks for one. */
export const TEST_PLATE = 'imager.test';

/** The plate that shows that the imager is in order, before any other is made. */
function testPlate({ norms }: Context, carriers: readonly Carrier[]): Carrier[] {
  const plate = carriers.find(({ kind }) => kind === 'plate');
  if (!plate || norms('carrier.testPlate').value !== 1) return [];
  const { ink: _ink, side: _side, unit: _unit, ...like } = plate;
  return [
    {
      ...like,
      side: undefined,
      ink: undefined,
      unit: undefined,
      version: undefined,
      id: TEST_PLATE,
      name: $localize`Test plate of the imager`,
      impressions: 0,
      note: $localize`looked at before the others are made`,
      key: TEST_PLATE,
    },
  ];
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
  const context = { job, works, norms: normsOf(works, job.norms), value: (id: string) => valueAt(plan, id) ?? 0 };
  const sets = toolSets(job, (id) => plan.layouts[id]);
  const own = job.components.flatMap((component) => {
    const layout = plan.layouts[component.id];
    const tools = sets.filter((set) => set.component === component).flatMap((set) => toolCarriers(context, set));
    return [...(layout ? printingCarriers(context, layout) : []), ...tools];
  });
  return [...testPlate(context, own), ...own, ...overprintCarriers(context, plan.layouts)];
}
