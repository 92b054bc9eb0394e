import {
  type Carrier,
  type ComponentLayout,
  type Job,
  type Plan,
  type PlanEdge,
  type PlanStep,
  type Works,
  STITCHES,
  UM,
  figureId,
  inkNames,
  listCarriers,
  paperNeed,
  paperOfLayout,
  plannedWaste,
  stepNames,
  valueAt,
} from '@druckerei/core';
import { type Tree, element } from './tree.js';
import { ROOT_PRODUCT } from './products.js';
import { WORK_STYLE_WORDS, durationText, grainWord, points, separation } from './words.js';

/** A planned job in its works. */
export interface Planned {
  readonly job: Job;
  readonly plan: Plan;
  readonly works: Works;
}

/** Pieces of a sheet that are told one by one: a sheet of more is not cut by a list. */
const MOST_BLOCKS = 500;

interface Place {
  readonly usage: 'Input' | 'Output';
  readonly steps?: readonly number[];
}
const set = (name: string, { usage, steps }: Place, resources: readonly Tree[]): Tree[] =>
  resources.length === 0
    ? []
    : [element('ResourceSet', { Name: name, Usage: usage, CombinedProcessIndex: steps }, resources)];

const amounts = (amount: number | undefined, waste?: number): Tree | undefined =>
  amount === undefined
    ? undefined
    : element('AmountPool', {}, [element('PartAmount', { Amount: amount, Waste: waste === 0 ? undefined : waste })]);

function paper({ plan }: Planned, layout: ComponentLayout): Tree {
  const { component, stock, caliperUm } = layout;
  const { widthMm, heightMm = 0, grain } = paperOfLayout(layout);
  return element(
    'Resource',
    { ID: `paper.${component.id}`, Status: 'Available', DescriptiveName: stock.name, ExternalID: stock.id },
    [
      element('Part', { SheetName: component.id }),
      amounts(valueAt(plan, paperNeed(layout).figure)),
      element('Media', {
        MediaType: 'Paper',
        MediaQuality: stock.name,
        Dimension: [points(widthMm), points(heightMm)],
        Weight: stock.gsm,
        Thickness: caliperUm,
        GrainDirection: grain && grainWord(grain, widthMm, heightMm),
      }),
    ],
  );
}

/** What is on its way between two stations. */
function component(id: string, edge: PlanEdge, waste?: number): Tree {
  const { widthMm, heightMm, caliperUm } = edge.state;
  return element('Resource', { ID: id, ExternalID: edge.material }, [
    amounts(edge.count, waste),
    element('Component', {
      Dimensions: [points(widthMm), points(heightMm), points(caliperUm / UM)],
    }),
  ]);
}

function cutting(layout: ComponentLayout): Tree {
  const { pieces } = layout.pattern;
  const blocks = pieces.length > MOST_BLOCKS ? [] : pieces;
  return element('Resource', { ID: `cutting.${layout.component.id}` }, [
    element('Part', { SheetName: layout.component.id }),
    element(
      'CuttingParams',
      {},
      blocks.map(({ xMm, yMm, widthMm, heightMm }, i) => {
        const [left, bottom] = [layout.leftMm + xMm, layout.bottomMm + yMm];
        return element('CutBlock', {
          BlockName: `block.${i + 1}`,
          Box: [left, bottom, left + widthMm, bottom + heightMm].map((mm) => points(Math.max(0, mm))),
        });
      }),
    ),
  ]);
}

function parameters({ plan }: Planned, step: PlanStep): { name: string; resource: Tree } | undefined {
  const layout = step.component === null ? undefined : plan.layouts[step.component];
  const part = step.component === null ? undefined : element('Part', { SheetName: step.component });
  const resource = (id: string, params: Tree): Tree => element('Resource', { ID: `${id}.${step.id}` }, [part, params]);
  switch (step.operation) {
    case 'cut':
      return layout && { name: 'CuttingParams', resource: cutting(layout) };
    case 'fold':
      return {
        name: 'FoldingParams',
        resource: resource('folding', element('FoldingParams', { 'd:Scheme': layout?.section?.scheme.id })),
      };
    case 'stitch':
      return {
        name: 'StitchingParams',
        resource: resource(
          'stitching',
          element('StitchingParams', { NumberOfStitches: STITCHES, StitchType: 'Saddle' }),
        ),
      };
    case 'die-cut':
      return (
        layout && {
          name: 'DieLayout',
          resource: resource(
            'die',
            element('DieLayout', {}, [
              element('Station', { StationName: layout.component.id, StationAmount: layout.pattern.count }),
            ]),
          ),
        }
      );
    default:
      return undefined;
  }
}

/** With its carriers, which are listed once. */
interface Carried extends Planned {
  readonly carriers: readonly Carrier[];
}

/** What a pass through a press wants beside paper. */
function pressSets(planned: Carried, step: PlanStep, index: number): Tree[] {
  const { plan } = planned;
  const carriers = planned.carriers.filter(
    (one) => one.component === step.component && (one.step ?? step.id) === step.id,
  );
  const layout = step.component === null ? undefined : plan.layouts[step.component];
  const inks = [...new Set(carriers.flatMap(({ ink }) => ink ?? []))];
  const at = { usage: 'Input', steps: [index] } as const;
  return [
    ...set('ColorantControl', at, [
      element('Resource', { ID: `colorants.${step.id}` }, [
        element('ColorantControl', { ColorantOrder: inks.map(separation) }),
      ]),
    ]),
    ...set(
      'ExposedMedia',
      at,
      carriers.map(({ id, name, ink, side, component: sheet, version }, i) =>
        element('Resource', { ID: `carrier.${step.id}.${i + 1}`, ExternalID: id, DescriptiveName: name }, [
          element('Part', {
            SheetName: sheet,
            Side: side === 'front' ? 'Front' : side === 'back' ? 'Back' : undefined,
            Separation: ink && separation(ink),
            PartVersion: version,
          }),
          element('ExposedMedia'),
        ]),
      ),
    ),
    ...(layout
      ? set('Layout', at, [
          element('Resource', { ID: `layout.${step.id}` }, [
            element('Part', { SheetName: layout.component.id }),
            element('Layout', { WorkStyle: WORK_STYLE_WORDS[layout.component.workStyle] }),
          ]),
        ])
      : []),
  ];
}

function stepSets(planned: Carried, step: PlanStep, index: number, title: string): Tree[] {
  const { plan, works } = planned;
  const machine = works.machines.find(({ id }) => id === step.machine);
  const setupHours = valueAt(plan, `step.${step.id}.setupHours`) ?? 0;
  const params = parameters(planned, step);
  const [at, out] = [
    { usage: 'Input', steps: [index] },
    { usage: 'Output', steps: [index] },
  ] as const;
  const comes = plan.edges.filter(({ to, from }) => to === step.id && from !== null);
  const leaves = plan.edges.filter(({ from }) => from === step.id);
  return [
    ...set('NodeInfo', at, [
      element('Resource', { ID: `node.${step.id}`, ExternalID: step.id, DescriptiveName: title }, [
        element('NodeInfo', { SetupDuration: durationText(setupHours), TotalDuration: durationText(step.hours) }),
      ]),
    ]),
    ...(machine
      ? set('Device', at, [
          element('Resource', { ID: `device.${step.id}` }, [
            element('Device', { DeviceID: machine.id, FriendlyName: machine.name }),
          ]),
        ])
      : []),
    ...(step.operation === 'print' || step.operation === 'overprint' ? pressSets(planned, step, index) : []),
    ...(params ? set(params.name, at, [params.resource]) : []),
    ...set(
      'Component',
      at,
      comes.map((edge, i) => component(`in.${step.id}.${i + 1}`, edge)),
    ),
    ...set(
      'Component',
      out,
      leaves.map((edge, i) => component(`out.${step.id}.${i + 1}`, edge, i === 0 ? plannedWaste(step) : 0)),
    ),
  ];
}

function orderSets({ customer, order, due, artwork = [] }: Job): Tree[] {
  const wanted = (day: string | undefined): string | undefined => day && `${day}T00:00:00`;
  const deliveries = order.deliveries ?? [{ quantity: order.quantity, due }];
  const input = { usage: 'Input' } as const;
  return [
    ...(customer === ''
      ? []
      : set('Contact', input, [
          element('Resource', { ID: 'customer' }, [
            element('Part', { ContactType: 'Customer' }),
            element('Contact', { ContactTypes: ['Customer'] }, [element('Company', { OrganizationName: customer })]),
          ]),
        ])),
    ...set(
      'DeliveryParams',
      input,
      deliveries.map((delivery, i) =>
        element('Resource', { ID: `delivery.${i + 1}` }, [
          element('DeliveryParams', { Required: wanted(delivery.due ?? due) }, [
            element('DropItem', { Amount: delivery.quantity, ItemRef: ROOT_PRODUCT }),
          ]),
        ]),
      ),
    ),
    ...set(
      'RunList',
      input,
      artwork.map(({ name, pages }, i) =>
        element('Resource', { ID: `artwork.${i + 1}` }, [
          element('RunList', { NPage: pages.reduce((sum, { count }) => sum + count, 0) }, [
            element('FileSpec', { URL: encodeURIComponent(name) }),
          ]),
        ]),
      ),
    ),
  ];
}

/** All that a job is made with, and what each station takes and hands on. */
export function resourceSets(planned: Planned): Tree[] {
  const { job, plan, works } = planned;
  const carried = { ...planned, carriers: listCarriers(job, plan, works) };
  const titles = stepNames(plan, job.components);
  const layouts = Object.values(plan.layouts);
  const printed = (id: string): number[] =>
    plan.steps.flatMap(({ component: of, operation }, i) => (of === id && operation === 'print' ? [i] : []));
  return [
    ...orderSets(job),
    ...layouts.flatMap((layout) => {
      const steps = printed(layout.component.id);
      return set('Media', { usage: 'Input', ...(steps.length > 0 ? { steps } : {}) }, [paper(planned, layout)]);
    }),
    ...set(
      'Ink',
      { usage: 'Input' },
      inkNames(job).map((name, i) =>
        element('Resource', { ID: `ink.${i + 1}`, DescriptiveName: name }, [
          element('Part', { Separation: separation(name) }),
          amounts(valueAt(plan, figureId.ink(name, 'kg'))),
          element('Ink'),
        ]),
      ),
    ),
    ...plan.steps.flatMap((step, i) => stepSets(carried, step, i, titles.get(step.id) ?? step.name)),
  ];
}
