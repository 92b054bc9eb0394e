import { type PanelFold, foldPanels } from '../../finishing/index.js';
import { error } from '../../kernel/index.js';
import { type Sum, choiceField, numberField } from '../sum.js';

const side = (id: string, name: string, max = 5_000) => numberField(id, name, 'mm', undefined, { min: 0.1, max });
const FOLDS = ['half', 'letter', 'accordion', 'roll', 'gate', 'parallel'] as const satisfies readonly PanelFold[];
const GRAVITY = { label: 'standard', note: $localize`ISO 80000-3, standard acceleration of free fall` } as const;

/** Cutting and folding. */
export const FINISHING_SUMS: readonly Sum[] = [
  {
    ...{ id: 'die-force', group: 'finishing', name: $localize`Force of a die`, words: ['die', 'force', 'rule'] },
    fields: [
      numberField('cut', $localize`Cutting rule`, 'm', undefined, { max: 10_000 }),
      numberField('crease', $localize`Creasing rule`, 'm', 0, { max: 10_000 }),
      numberField('perCut', $localize`Force of cutting rule`, 'kN/m', 35, { min: 0.1, max: 200 }),
      numberField('perCrease', $localize`Force of creasing rule`, 'kN/m', 15, { min: 0.1, max: 100 }),
    ],
    reckon(book) {
      book.show('force', $localize`Force`, 'kN', 'cut * perCut + crease * perCrease', {
        ...{ cut: 'cut', perCut: 'perCut', crease: 'crease', perCrease: 'perCrease' },
      });
      book.show('tonnes', $localize`As a weight`, 't', 'force / 9.80665', { force: 'force' }, GRAVITY);
    },
  },
  {
    ...{ id: 'cuts', group: 'finishing', name: $localize`Cuts of a sheet`, words: ['cuts', 'guillotine', 'strokes'] },
    fields: [
      numberField('across', $localize`Pieces across`, '', undefined, { min: 1, max: 100, whole: true }),
      numberField('around', $localize`Pieces around`, '', undefined, { min: 1, max: 100, whole: true }),
      choiceField('gutter', $localize`Gutters between them`, ['yes', 'no']),
      numberField('sheets', $localize`Sheets`, '', 1_000, { min: 1, max: 100_000_000, whole: true }),
      numberField('lift', $localize`Sheets in a lift`, '', 500, { min: 1, max: 100_000, whole: true }),
    ],
    reckon(book) {
      const trims = book.known('trims', $localize`Trims all round`, 4, '');
      const between = book.known(
        'between',
        $localize`Cuts between two pieces`,
        book.text('gutter') === 'yes' ? 2 : 1,
        '',
      );
      book.say('strips', $localize`Cuts into strips`, '', '(across - 1) * between', { across: 'across', between });
      book.say('within', $localize`Cuts across the strips`, '', '(around - 1) * between', {
        around: 'around',
        between,
      });
      const of = { trims, strips: 'strips', within: 'within' };
      book.show('cuts', $localize`Cuts, strips side by side`, '', 'trims + strips + within', of);
      book.show('alone', $localize`Strip by strip`, '', 'trims + strips + across * within', {
        ...of,
        across: 'across',
      });
      book.say('lifts', $localize`Lifts`, '', 'ceil(sheets / lift)', { sheets: 'sheets', lift: 'lift' });
      book.show('strokes', $localize`Strokes for all sheets`, '', 'cuts * lifts', { cuts: 'cuts', lifts: 'lifts' });
    },
  },
  {
    ...{
      id: 'panels',
      group: 'finishing',
      name: $localize`Panels of a fold`,
      words: ['fold', 'panel', 'panels', 'folding'],
    },
    fields: [
      ...[
        choiceField('kind', $localize`Fold`, FOLDS, 'letter'),
        side('length', $localize`Length that is folded`),
        side('other', $localize`Other side`),
      ],
      numberField('folds', $localize`Folds`, '', 2, { min: 1, max: 12, whole: true }),
      numberField('short', $localize`Panel inside is shorter by`, 'mm', 1, { max: 20 }),
      numberField('caliper', $localize`Caliper`, 'um', 100, { min: 1, max: 5_000 }),
    ],
    reckon(book) {
      const shortMm = book.number('short');
      const settings = { letterShortMm: shortMm, rollStepMm: shortMm, gateShortMm: shortMm };
      const flat = { lengthMm: book.number('length'), otherMm: book.number('other') };
      const kind = book.text('kind') as PanelFold;
      const made = foldPanels(kind, flat, book.number('folds'), {
        ...settings,
        caliperMm: book.number('caliper') / 1000,
      });
      if (!made.ok) {
        const needs = made.reason === 'too-short' ? Math.ceil(made.needsMm) : 0;
        book.refuse(error('sum.panels', 'length', { needs }));
        return;
      }
      const { panels } = made;
      const source = {
        label: 'practice',
        note: $localize`what lies inside is shorter by the measure of the house`,
      } as const;
      for (const [i, mm] of panels.panelsMm.entries())
        book.showKnown(`panel${i + 1}`, $localize`Panel ${i + 1}`, Math.round(mm * 100) / 100, 'mm', source);
      book.showKnown('layers', $localize`Layers`, panels.layers, '', source);
      let at = 0;
      book.drawing = {
        title: $localize`Panels`,
        ...{ widthMm: flat.lengthMm, heightMm: flat.otherMm },
        shapes: panels.panelsMm.map((width) => {
          const x = at;
          at += width;
          return { kind: 'box', role: 'piece', x, y: 0, width, height: flat.otherMm } as const;
        }),
      };
    },
  },
];
