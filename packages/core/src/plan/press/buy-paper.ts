import { type Entry, type Group, GIVEN, IDENTITY, rule, withinSentence } from '../../kernel/index.js';
import { type ComponentLayout, isWeb } from '../../press-sheet/index.js';
import { giveNorm } from '../../norms/index.js';
import type { Prepared, Run } from '../prepared.js';
import { rollsOfRun } from './roll-figures.js';

const PER_THOUSAND = rule('', 'kg', 'width / 1000 * height / 1000 * grammage');

/** A sheet size's weight with its working: a thousand of them in kilograms. */
function thousandSheets(
  at: Group,
  field: string,
  name: string,
  size: { readonly widthMm: number; readonly heightMm: number },
  grammage: Entry,
): Entry {
  const inputs = {
    width: at.give(`${field}Width`, $localize`${name}, width`, size.widthMm, 'mm', GIVEN),
    height: at.give(`${field}Height`, $localize`${name}, height`, size.heightMm, 'mm', GIVEN),
    grammage,
  };
  return at.reckon(`${field}KgPerThousand`, PER_THOUSAND, inputs, {
    name: $localize`A thousand sheets, ${withinSentence(name)}`,
  });
}

/** What the figures of a web are called, at the sheeter and at the corrugator. */
const WEB_WORDS = {
  roll: {
    lanes: $localize`Sheets across the web`,
    cut: $localize`Cut-off at the sheeter`,
    cutIs: GIVEN,
    width: 'rollWidth',
    web: $localize`Roll width`,
    length: $localize`Length of web`,
  },
  deckle: {
    lanes: $localize`Sheets across the web of the corrugator`,
    cut: $localize`Cut-off at the corrugator`,
    cutIs: IDENTITY,
    width: 'deckle',
    web: $localize`Web of the corrugator`,
    length: $localize`Length of board`,
  },
} as const;

const AS_NORM = rule('', '', 'norm');
const CALIPER = rule('', 'um', 'grammage * bulk');
const WEB_M = rule('', 'm', 'ceil(sheets / lanes) * length / 1000');
const WEB_KG = rule('', 'kg', 'web * width / 1000 * grammage / 1000');
const SHEETS_KG = rule('', 'kg', 'sheets * perThousand / 1000');
const BOUGHT = rule($localize`Bought sheets`, 'sheets', 'ceil(sheets / out)');

/**
 * What a component's press sheets are cut from, in kilograms, with the working: press sheets as bought, bought sheets
 * with so many out of each, or a length of web through the sheeter or the corrugator.
 * Source: identity, handbook chapters 3 and 4 (parent sheets = ceil(press sheets / out)).
 */
export function paperOfRun({ ledger, norms }: Prepared, layout: ComponentLayout): (run: Run, sheets: Entry) => Entry {
  const { component, stock, supply } = layout;
  const at = ledger.component(component.id);
  const own = (field: 'gsm' | 'bulk', title: string, unit: string): Entry =>
    at.reckon(
      field,
      AS_NORM,
      { norm: giveNorm(ledger, norms, `stock.${stock.id}.${field}`) },
      { name: `${title}, ${stock.name}`, unit },
    );
  const grammage = own('gsm', $localize`Grammage`, 'g/m2');
  const bulk = own('bulk', $localize`Bulk`, 'cm3/g');
  at.reckon('caliper', CALIPER, { grammage, bulk }, { name: $localize`Caliper, ${stock.name}` });
  const told = { name: $localize`Paper, ${component.name}` };
  const into = (run: Run) => run.ledger.component(component.id);
  if (isWeb(supply)) {
    const words = WEB_WORDS[supply.kind];
    const lanes = at.give('lanes', words.lanes, supply.lanes, 'sheets', IDENTITY);
    const length = at.give('cutLength', words.cut, supply.cutLengthMm, 'mm', words.cutIs);
    const width = at.give(words.width, words.web, supply.webMm, 'mm', GIVEN);
    const rolls = supply.kind === 'roll' ? rollsOfRun(ledger, norms, layout) : undefined;
    return (run, sheets) => {
      const web = into(run).reckon('webM', WEB_M, { sheets, lanes, length }, { name: words.length });
      rolls?.(run, web);
      return into(run).reckon('paperKg', WEB_KG, { web, width, grammage }, told);
    };
  }
  if (supply.kind === 'press sheet') {
    const perThousand = thousandSheets(at, 'sheet', $localize`Press sheet`, component.sheet, grammage);
    return (run, sheets) => into(run).reckon('paperKg', SHEETS_KG, { sheets, perThousand }, told);
  }
  const out = at.give('out', $localize`Press sheets out of a bought sheet`, supply.out, 'sheets', IDENTITY);
  const perThousand = thousandSheets(at, 'bought', $localize`Bought sheet`, supply.sheet, grammage);
  return (run, sheets) => {
    const bought = into(run).reckon('boughtSheets', BOUGHT, { sheets, out });
    return into(run).reckon('paperKg', SHEETS_KG, { sheets: bought, perThousand }, told);
  };
}
