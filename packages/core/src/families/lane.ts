import type { WorkStyle } from '../press/index.js';
import type { Operation } from '../route/index.js';
import type { SheetSize, Stock, Works } from '../works/index.js';
import { printSteps } from '../edit/index.js';
import type { Component, Finish, InkUse, Part, Step, Tool } from '../job/index.js';
import { type PressSheet, sheetCandidates } from '../press-sheet/index.js';
import type { FamilyAnswers } from './answers.js';

/** What a family's answers come to. */
export interface Made {
  readonly components: readonly Component[];
  readonly route: readonly Step[];
  readonly parts?: readonly Part[];
  readonly finish?: Finish;
  /** What is tipped to the outermost sections once the job is whole. */
  readonly endpaper?: string;
}

/** Process colours, black first, as one school of ink order has it (handbook chapter 5). */
export const PROCESS: readonly InkUse[] = [{ name: 'K' }, { name: 'C' }, { name: 'M' }, { name: 'Y' }];

/** Stations one behind another. Ids are the operation's, with the component's where there are several lanes. */
export class Lane {
  private readonly own: Step[];
  /** @param suffix of the ids, empty where there is one lane. */
  constructor(
    private readonly component: string | undefined,
    private readonly suffix = '',
    begin: readonly Step[] = [],
  ) {
    this.own = [...begin];
  }

  /** A component printed and dried in its work style. */
  static printed(component: Component, suffix = ''): Lane {
    return new Lane(component.id, suffix, printSteps(component.id, component.workStyle));
  }

  get steps(): readonly Step[] {
    return this.own;
  }

  /** What the last station makes. */
  get end(): string {
    return this.own.at(-1)?.id ?? '';
  }

  /** Puts a station at the end, which also takes in what is named. */
  add(operation: Operation, fields: Partial<Step> = {}, ...beside: NonNullable<Step['from']>): this {
    const base = `${fields.id ?? operation}${this.suffix}`;
    let id = base;
    for (let n = 2; this.own.some((step) => step.id === id); n++) id = `${base}-${n}`;
    const before = this.end === '' ? [] : [{ material: this.end }];
    const from = [...before, ...beside];
    this.own.push({
      ...fields,
      id,
      operation,
      ...(this.component === undefined ? {} : { component: this.component }),
      ...(from.length > 0 ? { from } : {}),
    });
    return this;
  }

  /** As `add`, where a condition holds. */
  addIf(holds: boolean, operation: Operation, fields: Partial<Step> = {}): this {
    return holds ? this.add(operation, fields) : this;
  }
}

/** Share of the piece that a die takes until it is measured. Source: common practice, no source. */
const DIE_SHARE = 3;

/** Dies for foil and relief, where the answers want them: a third of the piece until they are measured. */
export function dieTools({
  foil,
  emboss,
  widthMm,
  heightMm,
}: Pick<FamilyAnswers, 'foil' | 'emboss' | 'widthMm' | 'heightMm'>): Pick<Component, 'tools'> {
  const size = { widthMm: Math.round(widthMm / DIE_SHARE), heightMm: Math.round(heightMm / DIE_SHARE) };
  const tools: Tool[] = [
    ...(foil ? [{ id: 'foil-die', kind: 'foil-die', name: $localize`Foil die`, ...size } as const] : []),
    ...(emboss
      ? [{ id: 'emboss-die', kind: 'embossing-die', name: $localize`Embossing die`, counter: true, ...size } as const]
      : []),
  ];
  return tools.length > 0 ? { tools } : {};
}

/** Stations that take the ends of several lanes together. */
export const joined = (
  lanes: readonly { readonly end: string; readonly usage?: number }[],
): NonNullable<Step['from']> =>
  lanes.map(({ end, usage }) => ({ material: end, ...(usage === undefined || usage === 1 ? {} : { usage }) }));

/** First sheet of the stock that the press takes, whole or cut to fit, with the grain asked for where there is one. */
export function sheetFor(works: Works, stockId: string, pressId: string, grain: SheetSize['grain']): PressSheet {
  const sheets = works.stocks.find(({ id }) => id === stockId)?.sheets ?? [];
  const press = works.machines.find(({ id }) => id === pressId)?.press;
  const offered = sheets.flatMap((sheet) => (press ? sheetCandidates(sheet, press) : [{ sheet }]));
  const whole = offered.filter(({ bought }) => !bought);
  const usable = whole.filter(
    ({ sheet }) => !press || (sheet.widthMm <= press.maxSheetMm[0] && sheet.heightMm <= press.maxSheetMm[1]),
  );
  const fits = usable.length > 0 ? usable : offered.filter(({ bought }) => bought);
  return (
    fits.find(({ sheet }) => sheet.grain === grain) ??
    fits[0] ??
    offered[0] ?? { sheet: { widthMm: 1020, heightMm: 720, grain } }
  );
}

/** Perfecting where the press has the units for both sides. */
export const styleOf = (
  works: Works,
  pressId: string,
  back: readonly InkUse[],
  front: readonly InkUse[],
): WorkStyle => {
  const press = works.machines.find(({ id }) => id === pressId)?.press;
  return press?.perfects && front.length + back.length <= press.units ? 'perfecting' : 'sheetwise';
};

/** Caliper of a stock, micrometres. */
export function caliperOf(works: Works, id: string): number {
  const stock = works.stocks.find((one) => one.id === id);
  return stock ? stock.gsm * stock.bulk : 0;
}

/** Grammage of a stock. */
export const gsmOf = (works: Works, id: string): number =>
  works.stocks.find((stock: Stock) => stock.id === id)?.gsm ?? 0;
