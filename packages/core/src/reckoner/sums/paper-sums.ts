import { BASIS_SHEETS, CONDITIONING_ANCHOR, CONDITIONING_POWERS, MOST_CONDITIONING_HOURS } from '../../paper/index.js';
import { poundToGsm } from '../../kernel/index.js';
import { type Sum, choiceField, numberField } from '../sum.js';

const ISO_536 = { label: 'identity', note: $localize`definition of grammage, ISO 536` } as const;
const ABOVE = { min: 0.001 };
const side = (id: string, name: string, usual?: number) =>
  numberField(id, name, 'mm', usual, { ...ABOVE, max: 20_000 });
const GSM = numberField('gsm', $localize`Grammage`, 'g/m2', undefined, { min: 1, max: 3_000 });
const GRADES = Object.keys(BASIS_SHEETS);
const basisOf = (grade: string): readonly [number, number] => BASIS_SHEETS[grade as keyof typeof BASIS_SHEETS];

/** Paper by weight, grade and thickness. */
export const PAPER_SUMS: readonly Sum[] = [
  {
    ...{ id: 'paper-weight', group: 'paper', name: $localize`Weight of sheets`, words: ['weight', 'sheets', 'weigh'] },
    fields: [
      side('width', $localize`Width`),
      side('height', $localize`Height`),
      GSM,
      numberField('sheets', $localize`Sheets`, '', 1_000),
    ],
    reckon(book) {
      const size = { width: 'width', height: 'height', gsm: 'gsm' };
      book.show(
        'kgPerThousand',
        $localize`A thousand sheets`,
        'kg',
        'width / 1000 * height / 1000 * gsm',
        size,
        ISO_536,
      );
      book.show('kg', $localize`All of them`, 'kg', 'kgPerThousand * sheets / 1000', {
        ...{ kgPerThousand: 'kgPerThousand', sheets: 'sheets' },
      });
      book.show('poundsPerThousand', $localize`M weight`, 'lb', 'kgPerThousand * 1000 / 453.59237', {
        kgPerThousand: 'kgPerThousand',
      });
    },
  },
  {
    ...{
      id: 'basis-to-gsm',
      group: 'paper',
      name: $localize`Basis weight to grammage`,
      words: ['basis', 'lb', 'pound'],
    },
    fields: [
      numberField('pounds', $localize`Basis weight`, 'lb', undefined, { min: 0.1, max: 2_000 }),
      choiceField('grade', $localize`Grade`, GRADES, 'text'),
    ],
    reckon(book) {
      const [width, height] = basisOf(book.text('grade'));
      const basis = {
        ...{ pounds: 'pounds', width: book.known('basisWidth', $localize`Basis sheet, width`, width, 'in') },
        height: book.known('basisHeight', $localize`Basis sheet, height`, height, 'in'),
      };
      book.show(
        'gsm',
        $localize`Grammage`,
        'g/m2',
        'pounds * 453.59237 / (500 * width * 0.0254 * height * 0.0254)',
        basis,
        ISO_536,
      );
    },
  },
  {
    ...{ id: 'gsm-to-basis', group: 'paper', name: $localize`Grammage to basis weight`, words: ['basis', 'pounds'] },
    fields: [GSM, choiceField('grade', $localize`Grade`, GRADES, 'text')],
    reckon(book) {
      const one = book.known(
        'one',
        $localize`Grammage of one pound of this grade`,
        poundToGsm(1, basisOf(book.text('grade'))),
        'g/m2',
      );
      book.show('pounds', $localize`Basis weight`, 'lb', 'gsm / one', { gsm: 'gsm', one });
    },
  },
  {
    ...{
      id: 'caliper',
      group: 'paper',
      name: $localize`Caliper and bulk`,
      words: ['caliper', 'thickness', 'bulk', 'ppi'],
    },
    fields: [GSM, numberField('bulk', $localize`Bulk`, 'cm3/g', undefined, { min: 0.4, max: 5 })],
    reckon(book) {
      const source = { label: 'identity', note: $localize`bulk is volume over mass, ISO 534` } as const;
      book.show('caliper', $localize`Caliper`, 'um', 'gsm * bulk', { gsm: 'gsm', bulk: 'bulk' }, source);
      book.show('pagesPerInch', $localize`Pages to an inch`, 'pages', '2 * 25400 / caliper', { caliper: 'caliper' });
      book.show('sheetsPerCm', $localize`Sheets to a centimetre`, 'sheets', '10000 / caliper', { caliper: 'caliper' });
    },
  },
  {
    ...{ id: 'bulk', group: 'paper', name: $localize`Bulk from caliper`, words: ['bulk'] },
    fields: [numberField('caliper', $localize`Caliper`, 'um', undefined, { min: 1, max: 20_000 }), GSM],
    reckon(book) {
      book.show('bulk', $localize`Bulk`, 'cm3/g', 'caliper / gsm', { caliper: 'caliper', gsm: 'gsm' });
    },
  },
  {
    ...{
      id: 'conditioning',
      group: 'paper',
      name: $localize`Paper from the cold`,
      words: ['conditioning', 'cold', 'humidity', 'wrapped'],
    },
    fields: [
      numberField('volume', $localize`Volume of the pile`, 'm3', undefined, { min: 0.001, max: 50 }),
      numberField('kelvin', $localize`Colder than the room by`, 'K', undefined, { min: 0, max: 60 }),
    ],
    reckon(book) {
      const { volumeM3, kelvin, hours } = CONDITIONING_ANCHOR;
      const source = {
        label: 'practice',
        note: $localize`0.25 m3 and 5 K about 6 h, 1 m3 and 10 K 20 to 24 h`,
      } as const;
      const anchor = {
        ...{ volume: 'volume', kelvin: 'kelvin' },
        power: book.known('power', $localize`Power through 20 h`, CONDITIONING_POWERS[0], '', source),
        more: book.known('more', $localize`Power through 24 h`, CONDITIONING_POWERS[1], '', source),
      };
      const at = (power: string): string => `${hours} * kelvin / ${kelvin} * pow(volume / ${volumeM3}, ${power})`;
      const most = MOST_CONDITIONING_HOURS;
      book.show(
        'from',
        $localize`Stands wrapped, at least`,
        'h',
        `min(${most}, min(${at('power')}, ${at('more')}))`,
        anchor,
        source,
      );
      book.show('to', $localize`At most`, 'h', `min(${most}, max(${at('power')}, ${at('more')}))`, anchor, source);
    },
  },
];
