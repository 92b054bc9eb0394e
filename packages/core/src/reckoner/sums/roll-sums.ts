import { error } from '../../kernel/index.js';
import { type Sum, numberField } from '../sum.js';

const diameter = (id: string, name: string, usual?: number) =>
  numberField(id, name, 'mm', usual, { min: 0, max: 5_000 });
const CALIPER = numberField('caliper', $localize`Caliper`, 'um', undefined, { min: 1, max: 20_000 });
const WIDTH = numberField('width', $localize`Width`, 'mm', 1_000, { min: 1, max: 10_000 });
const GSM = numberField('gsm', $localize`Grammage`, 'g/m2', 80, { min: 1, max: 3_000 });
const LENGTH = numberField('length', $localize`Length`, 'm', undefined, { min: 0.001, max: 1_000_000 });
const RING = 'pi * (outer * outer - core * core) / (4 * caliper)';

/** Rolls by their diameter, and what is cut out of them. */
export const ROLL_SUMS: readonly Sum[] = [
  {
    ...{ id: 'roll', group: 'rolls', name: $localize`What is on a roll`, words: ['roll', 'reel'] },
    fields: [
      ...[diameter('outer', $localize`Diameter`), diameter('core', $localize`Core`, 76), CALIPER, WIDTH, GSM],
      numberField('speed', $localize`Runs at`, 'm/min', 300, { min: 0.1, max: 5_000 }),
    ],
    reckon(book) {
      if (book.number('outer') <= book.number('core')) {
        book.refuse(error('sum.roll', 'outer', { outer: book.number('outer'), core: book.number('core') }));
        return;
      }
      const pi = book.known('pi', $localize`Pi`, Math.PI, '');
      book.show('length', $localize`Length`, 'm', RING, {
        ...{ pi, outer: 'outer', core: 'core' },
        caliper: 'caliper',
      });
      book.show('kg', $localize`Paper on it`, 'kg', 'length * width / 1000 * gsm / 1000', {
        ...{ length: 'length', width: 'width', gsm: 'gsm' },
      });
      book.show('hours', $localize`Runs for`, 'h', 'length / speed / 60', { length: 'length', speed: 'speed' });
    },
  },
  {
    ...{ id: 'roll-diameter', group: 'rolls', name: $localize`Diameter of a length`, words: ['diameter'] },
    fields: [LENGTH, diameter('core', $localize`Core`, 76), CALIPER],
    reckon(book) {
      const pi = book.known('pi', $localize`Pi`, Math.PI, '');
      book.show('outer', $localize`Diameter`, 'mm', 'sqrt(4 * length * caliper / pi + core * core)', {
        ...{ pi, length: 'length', core: 'core', caliper: 'caliper' },
      });
    },
  },
  {
    ...{
      id: 'roll-to-sheets',
      group: 'rolls',
      name: $localize`Rolls to sheets`,
      words: ['sheeter', 'sheeting', 'rolls to sheets'],
    },
    fields: [
      ...[LENGTH, WIDTH, numberField('trim', $localize`Edge trim, a side`, 'mm', 5, { max: 500 })],
      numberField('across', $localize`Sheet across`, 'mm', undefined, { min: 1, max: 10_000 }),
      numberField('cut', $localize`Cut length`, 'mm', undefined, { min: 1, max: 10_000 }),
      numberField('wanted', $localize`Sheets wanted`, '', 10_000, { min: 1 }),
    ],
    reckon(book) {
      const web = { width: 'width', trim: 'trim', across: 'across' };
      const lanes = book.say(
        'lanes',
        $localize`Sheets beside each other`,
        'sheets',
        'floor((width - 2 * trim) / across)',
        web,
      );
      if (lanes < 1) {
        book.refuse(error('sum.none-fits', 'across', { piece: book.number('across'), area: book.number('width') }));
        return;
      }
      book.show('sheets', $localize`Sheets of a roll`, 'sheets', 'lanes * floor(length * 1000 / cut)', {
        ...{ lanes: 'lanes', length: 'length', cut: 'cut' },
      });
      book.show('metres', $localize`Length for those wanted`, 'm', 'ceil(wanted / lanes) * cut / 1000', {
        ...{ wanted: 'wanted', lanes: 'lanes', cut: 'cut' },
      });
      book.show('rolls', $localize`Rolls for those wanted`, 'rolls', 'ceil(metres / length)', {
        metres: 'metres',
        length: 'length',
      });
    },
  },
  {
    ...{
      id: 'short-rolls',
      group: 'rolls',
      name: $localize`Rolls to rolls`,
      words: ['slitting', 'rewind', 'rolls to rolls'],
    },
    fields: [
      ...[LENGTH, numberField('short', $localize`Short roll`, 'm', undefined, { min: 0.001, max: 1_000_000 }), WIDTH],
      numberField('slit', $localize`Slit width`, 'mm', undefined, { min: 0.1, max: 10_000 }),
    ],
    reckon(book) {
      book.say('along', $localize`Short rolls along`, 'rolls', 'floor(length / short)', {
        length: 'length',
        short: 'short',
      });
      book.say('beside', $localize`Slits beside each other`, 'rolls', 'floor(width / slit)', {
        width: 'width',
        slit: 'slit',
      });
      book.show('rolls', $localize`Rolls out of one`, 'rolls', 'along * beside', { along: 'along', beside: 'beside' });
      book.show('rest', $localize`Left over of the length`, 'm', 'length - along * short', {
        ...{ length: 'length', along: 'along', short: 'short' },
      });
    },
  },
];
