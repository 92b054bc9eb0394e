import fc from 'fast-check';
import { MACHINE_PROCESSES } from '../route/index.js';
import {
  type Machine,
  type Stock,
  MACHINE_FIELDS,
  MACHINE_TYPES,
  SHIPPED_WORKS,
  STOCK_FIELDS,
  checkMachine,
  checkStock,
  fieldAt,
  groupsFor,
  hasGroup,
  withField,
} from './index.js';

const typeOf = (id: string): Machine => {
  const found = MACHINE_TYPES.find((one) => one.id === id);
  if (!found) throw new Error(`no type ${id}`);
  return found;
};
const stockOf = (id: string): Stock => {
  const found = SHIPPED_WORKS.stocks.find((one) => one.id === id);
  if (!found) throw new Error(`no stock ${id}`);
  return found;
};
describe('machines as they are entered', () => {
  it.each(MACHINE_TYPES.map((machine) => [machine.name, machine] as const))('%s can be planned on', (_, machine) => {
    expect(checkMachine(machine)).toEqual([]);
  });

  it('types have names and ids of their own', () => {
    expect(new Set(MACHINE_TYPES.map(({ id }) => id)).size).toBe(MACHINE_TYPES.length);
    expect(new Set(MACHINE_TYPES.map(({ name }) => name)).size).toBe(MACHINE_TYPES.length);
  });

  const b2 = typeOf('b2-four');
  const web = typeOf('heatset-web');
  it.each<[string, Machine, string]>([
    ['grippers wider than the sheet', withField(b2, 'press.gripperMm', 300), 'press.gripperMm'],
    [
      'sides wider than the sheet',
      withField(withField(b2, 'press.minSheetMm.0', 8), 'press.sideMm', 5),
      'press.sideMm',
    ],
    ['no name', withField(b2, 'name', ' '), 'name'],
    ['a smallest sheet above the largest', withField(b2, 'press.minSheetMm.1', 800), 'press.maxSheetMm.1'],
    ['a plate smaller than the sheet', withField(b2, 'press.plate.widthMm', 700), 'press.plate.widthMm'],
    ['zones that do not reach', withField(b2, 'press.zones.count', 10), 'press.zones.count'],
    ['no units', withField(b2, 'press.units', 0), 'press.units'],
    ['half a unit', withField(b2, 'press.units', 2.5), 'press.units'],
    ['one unit that perfects', withField(withField(b2, 'press.units', 1), 'press.perfects', true), 'press.perfects'],
    ['plates and none', withField(b2, 'press.plateless', true), 'press.plateless'],
    ['no margin', withField(b2, 'press.tailMm', undefined), 'press.tailMm'],
    ['a margin that is no number', withField(b2, 'press.tailMm', Number.NaN), 'press.tailMm'],
    ['no press at all', withField(b2, 'press', undefined), 'press'],
    ['a sheet-fed press with cylinders', withField(b2, 'press.web', web.press?.web), 'press.web'],
    ['a web with no length', withField(web, 'press.web.cutOffMm', undefined), 'press.web.cutOffMm'],
    ['a web with two lengths', withField(web, 'press.web.anyRepeat', true), 'press.web.cutOffMm'],
    ['a cut-off that it does not print', withField(web, 'press.web.cutOffMm', 700), 'press.web.cutOffMm'],
    ['a web without cylinders', withField(web, 'press.web', undefined), 'press.web'],
    [
      'cylinders without teeth',
      withField(typeOf('narrow-web'), 'press.web.cylinderTeeth', [-1]),
      'press.web.cylinderTeeth',
    ],
    ['a way to print that is none', withField(b2, 'press.printing', 'magic'), 'press.printing'],
    ['a folder that prints', { ...typeOf('buckle-folder'), press: b2.press }, 'press'],
    ['a guillotine with units', withField(typeOf('board-cutter'), 'press.units', 2), 'press.units'],
    ['pieces smaller than the smallest', withField(typeOf('buckle-folder'), 'takes.maxMm', [80, 60]), 'takes.maxMm'],
    ['thick and thin', withField(typeOf('buckle-folder'), 'takes.minCaliperUm', 500), 'takes.maxCaliperUm'],
    ['half a clamp', withField(typeOf('binder'), 'takes.clamps', 0.5), 'takes.clamps'],
    ['clamps of a folder', withField(typeOf('buckle-folder'), 'takes.clamps', 18), 'takes.clamps'],
    ['no feeders', withField(typeOf('gatherer'), 'takes.stations', 0), 'takes.stations'],
  ])('%s is refused', (_, machine, path) => {
    expect(checkMachine(machine).map((issue) => issue.path)).toContain(path);
  });

  it('a piece may be turned', () => {
    const folder = typeOf('buckle-folder');
    expect(checkMachine(withField(folder, 'takes.minMm', [70, 100]))).toEqual([]);
  });

  it('knows the groups of every process, and every field of a shipped machine stands in one', () => {
    const paths = new Set(MACHINE_FIELDS.flatMap(({ fields }) => fields.map(({ path }) => path)));
    const leaves = (of: unknown, at: string): string[] =>
      typeof of === 'object' && of !== null && !paths.has(at)
        ? Object.entries(of).flatMap(([key, value]) => leaves(value, at === '' ? key : `${at}.${key}`))
        : [at];
    for (const process of MACHINE_PROCESSES) expect(groupsFor(process).length).toBeGreaterThan(1);
    for (const { id: _id, process: _process, ...machine } of MACHINE_TYPES)
      expect(leaves(machine, '').filter((path) => !paths.has(path))).toEqual([]);
  });

  it('never throws, whatever a field holds', () => {
    const all = MACHINE_FIELDS.flatMap(({ fields }) => fields);
    fc.assert(
      fc.property(
        fc.constantFrom(...MACHINE_TYPES),
        fc.constantFrom(...all),
        fc.oneof(fc.anything(), fc.double(), fc.string()),
        (machine, { path }, value) => {
          for (const { path: at } of checkMachine(withField(machine, path, value))) expect(typeof at).toBe('string');
        },
      ),
      { seed: 17 },
    );
  });
});

describe('fields by their path', () => {
  it('makes what stands around a value, and takes it out again', () => {
    const machine = typeOf('buckle-folder');
    const told = withField(machine, 'takes.forceKn', 20);
    expect(fieldAt(told, 'takes.forceKn')).toBe(20);
    expect(withField(told, 'takes.forceKn', undefined)).toEqual(machine);
    expect(withField(typeOf('b2-four'), 'press.maxSheetMm.1', 530).press?.maxSheetMm).toEqual([740, 530]);
    expect(fieldAt(machine, 'press.web.cutOffMm')).toBeUndefined();
    expect(fieldAt(machine, '__proto__.polluted')).toBeUndefined();
  });
  it('tells groups that are there', () => {
    expect(MACHINE_FIELDS.filter((group) => hasGroup(typeOf('buckle-folder'), group)).map(({ id }) => id)).toEqual([
      'machine',
      'takes',
    ]);
  });
});

describe('papers as they are entered', () => {
  it.each(SHIPPED_WORKS.stocks.map((stock) => [stock.name, stock] as const))('%s can be planned on', (_, stock) => {
    expect(checkStock(stock)).toEqual([]);
  });

  const silk = stockOf('silk-115');
  it.each<[string, Stock, string]>([
    ['no name', { ...silk, name: '' }, 'name'],
    ['no weight', { ...silk, gsm: 0 }, 'gsm'],
    ['no size', { ...silk, sheets: [], rollWidthsMm: [] }, 'sheets'],
    ['a sheet of nothing', { ...silk, sheets: [{ widthMm: 0, heightMm: 720, grain: 'width' }] }, 'sheets[0]'],
    ['a sheet twice', { ...silk, sheets: silk.sheets.flatMap((one) => [one, one]) }, 'sheets[1]'],
    ['a roll of nothing', { ...silk, rollWidthsMm: [0] }, 'rollWidthsMm'],
    ['a bulk for a weight', { ...silk, bulk: 19 }, 'bulk'],
    ['a contact that is none', { ...silk, cleared: ['space' as 'food'] }, 'cleared'],
    ['a weight that is no number', { ...silk, gsm: Number.NaN }, 'gsm'],
  ])('%s is refused', (_, stock, path) => {
    const changed = path === 'bulk' ? { ...stock, gsm: 4000 } : stock;
    expect(checkStock(changed).map((issue) => issue.path)).toContain(path);
  });

  it('every field of a shipped stock is known', () => {
    const known = [...STOCK_FIELDS.map(({ path }) => path), 'id', 'sheets', 'flutes', 'cleared'];
    expect(SHIPPED_WORKS.stocks.flatMap((stock) => Object.keys(stock)).filter((key) => !known.includes(key))).toEqual(
      [],
    );
  });
});
