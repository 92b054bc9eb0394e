import { type BlankChoice, type DieMeasures, measureDie } from '../diecut/index.js';
import { STYLE_RULES } from '../press/index.js';
import type { Box } from './layout-drawing.js';
import type { ComponentLayout } from './component-layout.js';
import type { SectionLayout } from './section-layout.js';
import { isPlateless, carriersPerColour } from './pass.js';
import { webOf } from './web-layout.js';

/** A page's place on one side, as the layout is printed out: seen from the printed side, row 0 at the foot. */
export interface ReportedPage {
  /** Number printed on it; null for the end leaves of a text with self-ends. */
  readonly page: number | null;
  readonly column: number;
  readonly row: number;
  readonly head: string;
  readonly xMm: number;
  readonly yMm: number;
  readonly creepMm: number;
}

/** A section's pages on both sides. */
export interface SectionReport {
  readonly scheme: string;
  readonly pages: number;
  readonly firstPage: number;
  readonly assembly: string;
  readonly front: readonly ReportedPage[];
  readonly back: readonly ReportedPage[];
}

/** A component's layout in figures, for those who read it without a screen. */
export interface LayoutReport {
  readonly component: string;
  readonly countUp: number;
  readonly arrangement: string;
  /** Trimmed pieces from the sheet's gripper and left edge, millimetres. */
  readonly positions: readonly (Box & { readonly turned: boolean; readonly item?: string })[];
  readonly usedShare: number;
  /** No pattern holds more. */
  readonly bound: number;
  readonly workStyle: string;
  /** Sets of plates: front and back apart, or one that carries both; 0 on presses without plates. */
  readonly plateSets: number;
  /** Plates in one set over both sides. */
  readonly plates: number;
  /** Press sheets out of one bought sheet; 1 where the press sheet is bought, 0 from a roll. */
  readonly outOfBought: number;
  /** A web: what it prints at one turn, the cut-offs that the folder collects, and copies from one cut-off. */
  readonly web?: { readonly repeatMm: number; readonly cutOffs: number; readonly copiesPerCutOff: number };
  /** A blank: its box, area and rule lengths, and how it is laid. */
  readonly die?: DieMeasures & {
    readonly name: string;
    readonly gapMm: number;
    readonly blanks: BlankChoice | undefined;
  };
  /** Items of a form, with how often each lies there. */
  readonly items?: readonly {
    readonly item: string;
    readonly count: number;
    readonly section?: SectionReport;
  }[];
  readonly section?: SectionReport;
}

function reportSection({ scheme, place, outer, inner }: SectionLayout): SectionReport {
  const pages = (side: SectionLayout['outer']): ReportedPage[] =>
    side.map(({ folio, column, row, head, xMm, yMm, towardsSpineMm }) => ({
      page: folio ?? null,
      column,
      row,
      head,
      xMm,
      yMm,
      creepMm: towardsSpineMm,
    }));
  return {
    scheme: scheme.id,
    pages: outer.length + inner.length,
    firstPage: place.firstPage,
    assembly: place.assembly,
    front: pages(outer),
    back: pages(inner),
  };
}

const plateSetsOf = (layout: ComponentLayout): number => {
  const { component } = layout;
  if (isPlateless(layout)) return 0;
  if (STYLE_RULES[component.workStyle].samePlates) return 1;
  return [component.front, component.back].filter((inks) => inks.length > 0).length;
};

const platesOf = (layout: ComponentLayout): number => {
  const { front, back, workStyle } = layout.component;
  const colours = STYLE_RULES[workStyle].samePlates ? Math.max(front.length, back.length) : front.length + back.length;
  return colours * carriersPerColour(layout);
};

/** What only some kinds of component have. */
function reportKind({ machine, sheet, cutOffs, pattern, die, gapMm, form }: ComponentLayout): Partial<LayoutReport> {
  return {
    ...(webOf(machine)
      ? { web: { repeatMm: sheet.heightMm / cutOffs, cutOffs, copiesPerCutOff: pattern.count / cutOffs } }
      : {}),
    ...(die ? { die: { name: die.name, ...measureDie(die), gapMm, blanks: pattern.blanks } } : {}),
    ...(form.length > 0
      ? {
          items: form.map(({ item, count, section }) => ({
            item: item.id,
            count,
            ...(section ? { section: reportSection(section) } : {}),
          })),
        }
      : {}),
  };
}

/** What a layout says, without its drawing. */
export function reportLayout(layout: ComponentLayout): LayoutReport {
  const { component, pattern, section, supply, leftMm, bottomMm } = layout;
  return {
    component: component.id,
    countUp: pattern.count,
    arrangement: pattern.arrangement,
    positions: pattern.pieces.map(({ xMm, yMm, widthMm, heightMm, turned, item }) => ({
      x: leftMm + xMm,
      y: bottomMm + yMm,
      width: widthMm,
      height: heightMm,
      turned,
      ...(item === undefined ? {} : { item }),
    })),
    usedShare: layout.usedShare,
    bound: layout.bound,
    workStyle: component.workStyle,
    plateSets: plateSetsOf(layout),
    plates: platesOf(layout),
    outOfBought: supply.kind === 'bought sheet' ? supply.out : supply.kind === 'press sheet' ? 1 : 0,
    ...reportKind(layout),
    ...(section ? { section: reportSection(section) } : {}),
  };
}
