import { type Issue, error, table } from '../../kernel/index.js';
import { fitRegister } from '../../register/index.js';
import { type Sum, choiceField, numberField, textField } from '../sum.js';
import { readNamed } from './named-list.js';

const offset = (id: string, name: string) => numberField(id, name, 'mm', 0, { min: -5, max: 5 });
const money = (id: string, name: string) => numberField(id, name, '', undefined, { max: 1e9 });

/** Parts of one mix. */
const MOST_PARTS = 12;

/** Ink, register, hours and cost at the press. */
export const PRESS_SUMS: readonly Sum[] = [
  {
    ...{ id: 'ink', group: 'press', name: $localize`Ink`, words: ['ink', 'coverage'] },
    fields: [
      numberField('impressions', $localize`Impressions`, '', undefined, { min: 1 }),
      numberField('width', $localize`Printed, width`, 'mm', undefined, { min: 1, max: 20_000 }),
      numberField('height', $localize`Printed, height`, 'mm', undefined, { min: 1, max: 20_000 }),
      numberField('coverage', $localize`Covered`, '%', 30, { max: 400 }),
      numberField('film', $localize`Ink on a solid`, 'g/m2', 1.2, { min: 0.01, max: 200 }),
    ],
    reckon(book) {
      book.show(
        'kg',
        $localize`Ink`,
        'kg',
        'impressions * width / 1000 * height / 1000 * coverage / 100 * film / 1000',
        {
          ...{ impressions: 'impressions', width: 'width', height: 'height', coverage: 'coverage', film: 'film' },
        },
      );
      book.show('perThousand', $localize`For a thousand`, 'kg', 'kg / impressions * 1000', {
        kg: 'kg',
        impressions: 'impressions',
      });
    },
  },
  {
    ...{ id: 'mix', group: 'press', name: $localize`Parts of a mixed ink`, words: ['mix', 'mixed ink', 'recipe'] },
    fields: [
      numberField('kg', $localize`Ink wanted`, 'kg', undefined, { min: 0.001, max: 100_000 }),
      textField('parts', $localize`Parts`, $localize`Yellow 60, Red 30, White 12`),
    ],
    reckon(book) {
      const { items, wrong } = readNamed(book.text('parts'), 1);
      const parts = items.map(({ name, figures: [part = 0] }) => ({ name, part }));
      if (wrong !== undefined || parts.length > MOST_PARTS || !parts.some(({ part }) => part > 0)) {
        book.refuse(error('sum.parts', 'parts', { part: wrong ?? '', most: MOST_PARTS }));
        return;
      }
      const ids = parts.map(({ name, part }, i) => book.known(`part${i}`, $localize`Part, ${name}`, part, ''));
      const inputs = table(ids.map((id): [string, string] => [id, id]));
      book.say('all', $localize`Parts in all`, '', ids.join(' + '), inputs);
      for (const [i, { name }] of parts.entries())
        book.show(`kg${i}`, name, 'kg', 'wanted * part / all', { wanted: 'kg', part: `part${i}`, all: 'all' });
    },
  },
  {
    ...{ id: 'plates', group: 'press', name: $localize`Plates`, words: ['plates', 'plate count'] },
    fields: [
      numberField('forms', $localize`Forms`, '', undefined, { min: 1, max: 1_000, whole: true }),
      choiceField('style', $localize`Printed`, ['sheetwise', 'work and turn']),
      numberField('front', $localize`Colours in front`, '', 4, { min: 1, max: 16, whole: true }),
      numberField('back', $localize`Colours at the back`, '', 4, { max: 16, whole: true }),
      numberField('versions', $localize`Versions`, '', 1, { min: 1, max: 1_000, whole: true }),
      numberField('changing', $localize`Colours that change with them`, '', 1, { max: 16, whole: true }),
      numberField('impressions', $localize`Impressions of a plate`, '', 10_000, { min: 1 }),
      numberField('life', $localize`A plate prints`, '', 150_000, { min: 1 }),
    ],
    reckon(book) {
      const colours = { front: 'front', back: 'back' };
      if (book.text('style') === 'sheetwise')
        book.say('each', $localize`Plates of a form`, '', 'front + back', colours);
      // One set prints both sides: every colour of either side is on it.
      else book.say('each', $localize`Plates of a form`, '', 'max(front, back)', colours);
      book.say('once', $localize`Plates of all forms`, '', 'forms * each', { forms: 'forms', each: 'each' });
      book.say('more', $localize`Plates of more versions`, '', '(versions - 1) * changing', {
        ...{ versions: 'versions', changing: 'changing' },
      });
      book.say('sets', $localize`Sets`, '', 'ceil(impressions / life)', { impressions: 'impressions', life: 'life' });
      book.show('plates', $localize`Plates`, '', '(once + more) * sets', { once: 'once', more: 'more', sets: 'sets' });
    },
  },
  {
    ...{
      id: 'run-time',
      group: 'press',
      name: $localize`Hours and cost of a run`,
      words: ['hours', 'run', 'time', 'cost'],
    },
    fields: [
      numberField('sheets', $localize`Sheets`, '', undefined, { min: 1 }),
      numberField('speed', $localize`Runs at`, 'sheets/h', 10_000, { min: 1, max: 1_000_000 }),
      numberField('setup', $localize`Set-up`, 'h', 0.5, { max: 1_000 }),
      numberField('rate', $localize`An hour costs`, '', 150, { max: 1e6 }),
      numberField('efficiency', $localize`Share of the speed that is reached`, '%', 85, { min: 1, max: 100 }),
    ],
    reckon(book) {
      book.show('run', $localize`Run`, 'h', 'sheets / (speed * efficiency / 100)', {
        ...{ sheets: 'sheets', speed: 'speed', efficiency: 'efficiency' },
      });
      book.show('hours', $localize`With set-up`, 'h', 'run + setup', { run: 'run', setup: 'setup' });
      book.show('cost', $localize`Costs`, '', 'hours * rate', { hours: 'hours', rate: 'rate' });
      book.show('each', $localize`Of it for a thousand`, '', 'cost / sheets * 1000', {
        cost: 'cost',
        sheets: 'sheets',
      });
    },
  },
  {
    ...{
      id: 'break-even',
      group: 'press',
      name: $localize`Break-even of two ways`,
      words: ['break-even', 'breakeven', 'cheaper'],
    },
    fields: [
      ...[money('fixedA', $localize`One way: fixed`), money('thousandA', $localize`A thousand`)],
      ...[money('fixedB', $localize`Other way: fixed`), money('thousandB', $localize`A thousand there`)],
    ],
    reckon(book) {
      const [fixed, each] = [
        book.number('fixedB') - book.number('fixedA'),
        book.number('thousandA') - book.number('thousandB'),
      ];
      if (fixed * each <= 0) {
        book.refuse(error('sum.never-even', 'thousandB', { cheaper: fixed + -each > 0 ? 'one way' : 'other way' }));
        return;
      }
      const inputs = { fixedA: 'fixedA', thousandA: 'thousandA', fixedB: 'fixedB', thousandB: 'thousandB' };
      book.show('even', $localize`The same at`, 'pieces', '1000 * (fixedB - fixedA) / (thousandA - thousandB)', inputs);
      book.show('both', $localize`Both cost`, '', 'fixedA + thousandA * even / 1000', {
        ...{ fixedA: 'fixedA', thousandA: 'thousandA', even: 'even' },
      });
    },
  },
  {
    ...{
      id: 'register-two-marks',
      group: 'press',
      name: $localize`Register from two marks`,
      words: ['register', 'marks'],
    },
    fields: [
      numberField('apart', $localize`Marks are apart by`, 'mm', 700, { min: 10, max: 5_000 }),
      ...[offset('leftAcross', $localize`Left mark, across`), offset('leftAround', $localize`Left mark, around`)],
      ...[offset('rightAcross', $localize`Right mark, across`), offset('rightAround', $localize`Right mark, around`)],
    ],
    reckon(book) {
      const apart = book.number('apart');
      const marks = [
        { xMm: 0, yMm: 0 },
        { xMm: apart, yMm: 0 },
      ];
      const offsets = [
        { dx: book.number('leftAcross'), dy: book.number('leftAround') },
        { dx: book.number('rightAcross'), dy: book.number('rightAround') },
      ];
      const fit = fitRegister(marks, offsets, '');
      if (!fit.ok) {
        book.refuse(...fit.issues.map((issue): Issue => ({ ...issue, path: 'leftAcross' })));
        return;
      }
      const half = { left: 'leftAcross', right: 'rightAcross' };
      const around = { left: 'leftAround', right: 'rightAround' };
      book.show('across', $localize`Lies across by`, 'mm', '(left + right) / 2', half);
      book.show('around', $localize`Around by`, 'mm', '(left + right) / 2', around);
      book.show('turn', $localize`Turned, a metre`, 'mm/m', '1000 * (right - left) / apart', {
        ...around,
        apart: 'apart',
      });
      book.show('stretch', $localize`Stretched across, a metre`, 'mm/m', '1000 * (right - left) / apart', {
        ...half,
        apart: 'apart',
      });
    },
  },
];
