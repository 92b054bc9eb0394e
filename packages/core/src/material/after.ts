import { withinSentence } from '../kernel/index.js';
import { type Operation, OPERATION_RULES } from '../route/index.js';
import { type ComponentLayout, webOf, partsSheet } from '../press-sheet/index.js';
import { itemMaterial } from '../job/index.js';
import { PRESS_MATERIAL } from './stations/press.js';
import { SURFACE_MATERIAL } from './stations/surface.js';
import { SHEET_MATERIAL, cutOut, foldedSection, knifed } from './stations/sheet.js';
import { BOX_MATERIAL } from './stations/box.js';
import { BINDERY_MATERIAL } from './stations/bindery.js';
import { PACK_MATERIAL } from './stations/pack.js';
import { type Material, gramsOf, otherSide, stacked } from './state.js';
import type { After, At } from './stations/at.js';
import { gainOf } from './stations/gains.js';

/** What leaves a station out of what comes to it, kind by kind of station. */
const AFTER: Readonly<Record<Operation, After>> = {
  ...PRESS_MATERIAL,
  ...SURFACE_MATERIAL,
  ...SHEET_MATERIAL,
  ...BOX_MATERIAL,
  ...BINDERY_MATERIAL,
  ...PACK_MATERIAL,
};

/** The items of a form once it is cut apart, by the material that each becomes. */
function itemMaterials(paper: Material, layout: ComponentLayout): Map<string, Material> {
  return new Map(
    layout.form.map(({ item, section, component }) => {
      const turned = layout.pattern.pieces.find((piece) => piece.item === item.id)?.turned ?? false;
      const { widthMm, heightMm } = item;
      return [
        itemMaterial(item.id),
        {
          ...paper,
          unit: section ? 'section' : withinSentence(item.name),
          widthMm,
          heightMm,
          grain: turned ? otherSide(paper.grain) : paper.grain,
          massG: gramsOf(widthMm * heightMm, paper.throughGsm),
          component: component?.id ?? paper.component,
          pagesAcross: section?.columns ?? 1,
        },
      ];
    }),
  );
}

/**
 * Materials after a step by their ids, out of what went in: the items of a form cut apart, else one that is made.
 * The one place that says what an operation makes of a material. Source: identity (geometry and mass); handbook chapter 7.
 * @param made ids of what the step makes. @returns what is made, and the grams put onto one that goes through.
 */
export function materialsAfter(
  at: Omit<At, 'all' | 'first'>,
  made: readonly string[],
): { readonly materials: ReadonlyMap<string, Material>; readonly gainG: number } {
  const { step, layout, inputs } = at;
  const [first] = inputs;
  const all = stacked(inputs);
  if (!first || !all) return { materials: new Map(), gainG: 0 };
  const parts = layout !== undefined && partsSheet(step, layout);
  if (parts && layout.form.length > 0) return { materials: itemMaterials(first.material, layout), gainG: 0 };
  const through = (material: Material): Material => {
    if (!parts) return material;
    const web = webOf(layout.machine);
    if (!web || !layout.section) return cutOut(material, layout);
    const folded = foldedSection(material, layout, at.norms);
    return web.trimsInLine ? knifed(folded) : folded;
  };
  const { makes } = OPERATION_RULES[step.operation];
  const passed = { ...at, first: through(first.material), all: through(all) };
  const after = AFTER[step.operation](passed);
  const materials = new Map(made.map((id) => [id, makes === undefined ? after : { ...after, unit: makes }]));
  return { materials, gainG: gainOf(passed) };
}
