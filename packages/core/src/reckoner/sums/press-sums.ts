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
    ...{ id: 'ink', group: 'press', name: 'Ink', words: ['ink', 'coverage'] },
    fields: [
      numberField('impressions', 'Impressions', '', undefined, { min: 1 }),
      numberField('width', 'Printed, width', 'mm', undefined, { min: 1, max: 20_000 }),
      numberField('height', 'Printed, height', 'mm', undefined, { min: 1, max: 20_000 }),
      numberField('coverage', 'Covered', '%', 30, { max: 400 }),
      numberField('film', 'Ink on a solid', 'g/m2', 1.2, { min: 0.01, max: 200 }),
    ],
    reckon(book) {
      book.show('kg', 'Ink', 'kg', 'impressions * width / 1000 * height / 1000 * coverage / 100 * film / 1000', {
        ...{ impressions: 'impressions', width: 'width', height: 'height', coverage: 'coverage', film: 'film' },
      });
      book.show('perThousand', 'For a thousand', 'kg', 'kg / impressions * 1000', {
        kg: 'kg',
        impressions: 'impressions',
      });
    },
  },
  {
    ...{ id: 'mix', group: 'press', name: 'Parts of a mixed ink', words: ['mix', 'mixed ink', 'recipe'] },
    fields: [
      numberField('kg', 'Ink wanted', 'kg', undefined, { min: 0.001, max: 100_000 }),
      textField('parts', 'Parts', 'Yellow 60, Red 30, White 12'),
    ],
    reckon(book) {
      const { items, wrong } = readNamed(book.text('parts'), 1);
      const parts = items.map(({ name, figures: [part = 0] }) => ({ name, part }));
      if (wrong !== undefined || parts.length > MOST_PARTS || !parts.some(({ part }) => part > 0)) {
        book.refuse(error('sum.parts', 'parts', { part: wrong ?? '', most: MOST_PARTS }));
        return;
      }
      const ids = parts.map(({ name, part }, i) => book.known(`part${i}`, `Part, ${name}`, part, ''));
      const inputs = table(ids.map((id): [string, string] => [id, id]));
      book.say('all', 'Parts in all', '', ids.join(' + '), inputs);
      for (const [i, { name }] of parts.entries())
        book.show(`kg${i}`, name, 'kg', 'wanted * part / all', { wanted: 'kg', part: `part${i}`, all: 'all' });
    },
  },
  {
    ...{ id: 'plates', group: 'press', name: 'Plates', words: ['plates', 'plate count'] },
    fields: [
      numberField('forms', 'Forms', '', undefined, { min: 1, max: 1_000, whole: true }),
      choiceField('style', 'Printed', ['sheetwise', 'work and turn']),
      numberField('front', 'Colours in front', '', 4, { min: 1, max: 16, whole: true }),
      numberField('back', 'Colours at the back', '', 4, { max: 16, whole: true }),
      numberField('versions', 'Versions', '', 1, { min: 1, max: 1_000, whole: true }),
      numberField('changing', 'Colours that change with them', '', 1, { max: 16, whole: true }),
      numberField('impressions', 'Impressions of a plate', '', 10_000, { min: 1 }),
      numberField('life', 'A plate prints', '', 150_000, { min: 1 }),
    ],
    reckon(book) {
      const colours = { front: 'front', back: 'back' };
      if (book.text('style') === 'sheetwise') book.say('each', 'Plates of a form', '', 'front + back', colours);
      // One set prints both sides: every colour of either side is on it.
      else book.say('each', 'Plates of a form', '', 'max(front, back)', colours);
      book.say('once', 'Plates of all forms', '', 'forms * each', { forms: 'forms', each: 'each' });
      book.say('more', 'Plates of more versions', '', '(versions - 1) * changing', {
        ...{ versions: 'versions', changing: 'changing' },
      });
      book.say('sets', 'Sets', '', 'ceil(impressions / life)', { impressions: 'impressions', life: 'life' });
      book.show('plates', 'Plates', '', '(once + more) * sets', { once: 'once', more: 'more', sets: 'sets' });
    },
  },
  {
    ...{ id: 'run-time', group: 'press', name: 'Hours and cost of a run', words: ['hours', 'run', 'time', 'cost'] },
    fields: [
      numberField('sheets', 'Sheets', '', undefined, { min: 1 }),
      numberField('speed', 'Runs at', 'sheets/h', 10_000, { min: 1, max: 1_000_000 }),
      numberField('setup', 'Set-up', 'h', 0.5, { max: 1_000 }),
      numberField('rate', 'An hour costs', '', 150, { max: 1e6 }),
      numberField('efficiency', 'Share of the speed that is reached', '%', 85, { min: 1, max: 100 }),
    ],
    reckon(book) {
      book.show('run', 'Run', 'h', 'sheets / (speed * efficiency / 100)', {
        ...{ sheets: 'sheets', speed: 'speed', efficiency: 'efficiency' },
      });
      book.show('hours', 'With set-up', 'h', 'run + setup', { run: 'run', setup: 'setup' });
      book.show('cost', 'Costs', '', 'hours * rate', { hours: 'hours', rate: 'rate' });
      book.show('each', 'Of it for a thousand', '', 'cost / sheets * 1000', { cost: 'cost', sheets: 'sheets' });
    },
  },
  {
    ...{
      id: 'break-even',
      group: 'press',
      name: 'Break-even of two ways',
      words: ['break-even', 'breakeven', 'cheaper'],
    },
    fields: [
      ...[money('fixedA', 'One way: fixed'), money('thousandA', 'A thousand')],
      ...[money('fixedB', 'Other way: fixed'), money('thousandB', 'A thousand there')],
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
      book.show('even', 'The same at', 'pieces', '1000 * (fixedB - fixedA) / (thousandA - thousandB)', inputs);
      book.show('both', 'Both cost', '', 'fixedA + thousandA * even / 1000', {
        ...{ fixedA: 'fixedA', thousandA: 'thousandA', even: 'even' },
      });
    },
  },
  {
    ...{ id: 'register-two-marks', group: 'press', name: 'Register from two marks', words: ['register', 'marks'] },
    fields: [
      numberField('apart', 'Marks are apart by', 'mm', 700, { min: 10, max: 5_000 }),
      ...[offset('leftAcross', 'Left mark, across'), offset('leftAround', 'Left mark, around')],
      ...[offset('rightAcross', 'Right mark, across'), offset('rightAround', 'Right mark, around')],
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
      book.show('across', 'Lies across by', 'mm', '(left + right) / 2', half);
      book.show('around', 'Around by', 'mm', '(left + right) / 2', around);
      book.show('turn', 'Turned, a metre', 'mm/m', '1000 * (right - left) / apart', { ...around, apart: 'apart' });
      book.show('stretch', 'Stretched across, a metre', 'mm/m', '1000 * (right - left) / apart', {
        ...half,
        apart: 'apart',
      });
    },
  },
];
