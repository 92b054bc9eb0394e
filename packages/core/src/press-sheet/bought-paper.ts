import { figureId } from '../job/index.js';
import { type PaperItem, paperKey } from '../works/index.js';
import type { ComponentLayout } from './component-layout.js';

/** Paper that a component's press sheets are cut from, as it is bought. */
export function paperOfLayout({ component, stock, supply }: ComponentLayout): PaperItem {
  if (supply.kind === 'roll') return { stock: stock.id, widthMm: supply.webMm };
  const { widthMm, heightMm, grain } = supply.kind === 'bought sheet' ? supply.sheet : component.sheet;
  return { stock: stock.id, widthMm, heightMm, grain };
}

/** The key of the paper that a component is printed on; undefined where the customer brings it. */
export const paperKeyOf = (layout: ComponentLayout): string | undefined =>
  layout.component.paperOwner === 'customer' ? undefined : paperKey(paperOfLayout(layout));

/** Figure of the plan that says how much of its paper a component wants, and what that is counted in. */
export function paperNeed({ component, supply }: ComponentLayout): {
  readonly figure: string;
  readonly unit: 'rolls' | 'sheets';
} {
  if (supply.kind === 'roll') return { figure: figureId.component(component.id, 'rolls'), unit: 'rolls' };
  const field = supply.kind === 'bought sheet' ? 'boughtSheets' : 'pressSheets';
  return { figure: figureId.component(component.id, field), unit: 'sheets' };
}
