import { type Component, type ComponentLayout, type Job, type Plan, FOLD_KINDS, isUnprinted } from '@druckerei/core';
import { type Tree, element } from './tree.js';
import { BINDINGS, PRODUCT_TYPES, grainWord, points, separation } from './words.js';

/** The product of the whole job, which others refer to. */
export const ROOT_PRODUCT = 'product';
/** Id of what a component is as a product. */
const partProduct = (component: string): string => `part.${component}`;

const intent = (name: string, attributes: Parameters<typeof element>[1] = {}, children: readonly Tree[] = []): Tree =>
  element('Intent', { Name: name }, [element(name, attributes, children)]);

const surface = (side: 'Front' | 'Back', inks: Component['front']): Tree[] =>
  inks.length === 0
    ? []
    : [element('SurfaceColor', { Surface: side, ColorsUsed: inks.map(({ name }) => separation(name)) })];

/** Which side lies along the grain, by the size of the piece. */
function wantedGrain({ grain, widthMm, heightMm }: Component): string | undefined {
  return grain === undefined || grain === 'any' || widthMm === undefined || heightMm === undefined
    ? undefined
    : grainWord(grain, widthMm, heightMm);
}

function componentIntents(component: Component, { stock, caliperUm }: ComponentLayout): Tree[] {
  const { widthMm, heightMm, pages, front, back } = component;
  return [
    intent('MediaIntent', {
      MediaType: 'Paper',
      MediaQuality: stock.name,
      Weight: stock.gsm,
      Thickness: caliperUm,
      GrainDirection: wantedGrain(component),
    }),
    ...(widthMm === undefined || heightMm === undefined
      ? []
      : [
          intent('LayoutIntent', {
            FinishedDimensions: [points(widthMm), points(heightMm), 0],
            Pages: pages,
            Sides: back.length > 0 ? 'TwoSided' : 'OneSided',
          }),
        ]),
    ...(isUnprinted(component)
      ? []
      : [intent('ColorIntent', {}, [...surface('Front', front), ...surface('Back', back)])]),
  ];
}

/** What is done to the whole. */
function finishIntents({ family, binding, finish, route, components }: Job): Tree[] {
  const does = (...operations: readonly string[]): boolean => route.some((step) => operations.includes(step.operation));
  const bound = family in BINDINGS ? BINDINGS[family as keyof typeof BINDINGS] : undefined;
  return [
    ...(bound
      ? [
          intent('BindingIntent', {
            BindingType: bound,
            BindingOrder: binding?.assembly === 'gathered' ? 'Gathering' : 'Collecting',
            ChildRefs: components.filter(({ runOf }) => runOf === undefined).map(({ id }) => partProduct(id)),
          }),
        ]
      : []),
    ...(finish?.fold ? [intent('FoldingIntent', { 'd:Fold': finish.fold })] : []),
    ...(does('laminate')
      ? [intent('LaminatingIntent', { Surface: 'Front', Texture: finish?.film === 'gloss' ? 'Gloss' : 'Matte' })]
      : []),
    ...(does('die-cut') ? [intent('ShapeCuttingIntent')] : []),
    ...(does('emboss', 'foil') ? [intent('EmbossingIntent')] : []),
  ];
}

/** The words that a fold is told by. */
export const isFold = (word: string): word is (typeof FOLD_KINDS)[number] =>
  (FOLD_KINDS as readonly string[]).includes(word);

/** What a job makes, as products with what is wanted of them: the whole, and each part where it has several. */
export function productList(job: Job, plan: Plan): Tree {
  const parts = job.components.filter(({ runOf }) => runOf === undefined);
  const [only] = parts.length === 1 ? parts : [];
  const intentsOf = (component: Component): Tree[] => {
    const layout = plan.layouts[component.id];
    return layout ? componentIntents(component, layout) : [];
  };
  const pages = job.pages === undefined || only ? [] : [intent('LayoutIntent', { Pages: job.pages })];
  const root = element(
    'Product',
    {
      ID: ROOT_PRODUCT,
      Amount: job.order.quantity,
      IsRoot: true,
      ProductType: PRODUCT_TYPES[job.family],
      DescriptiveName: job.title,
    },
    [...(only ? intentsOf(only) : pages), ...finishIntents(job)],
  );
  const children = only
    ? []
    : parts.map((component) =>
        element(
          'Product',
          {
            ID: partProduct(component.id),
            Amount: job.order.quantity,
            IsRoot: false,
            ProductType: PART_TYPES[component.kind],
            DescriptiveName: component.name,
            ExternalID: component.id,
          },
          intentsOf(component),
        ),
      );
  return element('ProductList', {}, [root, ...children]);
}

const PART_TYPES: Readonly<Record<Component['kind'], string>> = {
  sheet: 'Sheet',
  section: 'Body',
  cover: 'Cover',
  blank: 'Blank',
  gang: 'Form',
};
