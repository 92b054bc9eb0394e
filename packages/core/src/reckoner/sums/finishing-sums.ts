import { type PanelFold, TRUCK_M, boxFor, foldPanels, palletFor } from '../../finishing/index.js';
import { error } from '../../kernel/index.js';
import { type Sum, choiceField, numberField } from '../sum.js';

const side = (id: string, name: string, max = 5_000) => numberField(id, name, 'mm', undefined, { min: 0.1, max });
const FOLDS = ['half', 'letter', 'accordion', 'roll', 'gate', 'parallel'] as const satisfies readonly PanelFold[];
const GRAVITY = { label: 'standard', note: 'ISO 80000-3, standard acceleration of free fall' } as const;
const MCKEE = { label: 'literature', note: 'McKee, Gander and Wachuta 1963' } as const;

/** Cutting, folding, packing. */
export const FINISHING_SUMS: readonly Sum[] = [
  {
    ...{ id: 'die-force', group: 'finishing', name: 'Force of a die', words: ['die', 'force', 'rule'] },
    fields: [
      numberField('cut', 'Cutting rule', 'm', undefined, { max: 10_000 }),
      numberField('crease', 'Creasing rule', 'm', 0, { max: 10_000 }),
      numberField('perCut', 'Force of cutting rule', 'kN/m', 35, { min: 0.1, max: 200 }),
      numberField('perCrease', 'Force of creasing rule', 'kN/m', 15, { min: 0.1, max: 100 }),
    ],
    reckon(book) {
      book.show('force', 'Force', 'kN', 'cut * perCut + crease * perCrease', {
        ...{ cut: 'cut', perCut: 'perCut', crease: 'crease', perCrease: 'perCrease' },
      });
      book.show('tonnes', 'As a weight', 't', 'force / 9.80665', { force: 'force' }, GRAVITY);
    },
  },
  {
    ...{ id: 'cuts', group: 'finishing', name: 'Cuts of a sheet', words: ['cuts', 'guillotine', 'strokes'] },
    fields: [
      numberField('across', 'Pieces across', '', undefined, { min: 1, max: 100, whole: true }),
      numberField('around', 'Pieces around', '', undefined, { min: 1, max: 100, whole: true }),
      choiceField('gutter', 'Gutters between them', ['yes', 'no']),
      numberField('sheets', 'Sheets', '', 1_000, { min: 1, max: 100_000_000, whole: true }),
      numberField('lift', 'Sheets in a lift', '', 500, { min: 1, max: 100_000, whole: true }),
    ],
    reckon(book) {
      const trims = book.known('trims', 'Trims all round', 4, '');
      const between = book.known('between', 'Cuts between two pieces', book.text('gutter') === 'yes' ? 2 : 1, '');
      book.say('strips', 'Cuts into strips', '', '(across - 1) * between', { across: 'across', between });
      book.say('within', 'Cuts across the strips', '', '(around - 1) * between', { around: 'around', between });
      const of = { trims, strips: 'strips', within: 'within' };
      book.show('cuts', 'Cuts, strips side by side', '', 'trims + strips + within', of);
      book.show('alone', 'Strip by strip', '', 'trims + strips + across * within', { ...of, across: 'across' });
      book.say('lifts', 'Lifts', '', 'ceil(sheets / lift)', { sheets: 'sheets', lift: 'lift' });
      book.show('strokes', 'Strokes for all sheets', '', 'cuts * lifts', { cuts: 'cuts', lifts: 'lifts' });
    },
  },
  {
    ...{ id: 'panels', group: 'finishing', name: 'Panels of a fold', words: ['fold', 'panel', 'panels', 'folding'] },
    fields: [
      ...[
        choiceField('kind', 'Fold', FOLDS, 'letter'),
        side('length', 'Length that is folded'),
        side('other', 'Other side'),
      ],
      numberField('folds', 'Folds', '', 2, { min: 1, max: 12, whole: true }),
      numberField('short', 'Panel inside is shorter by', 'mm', 1, { max: 20 }),
      numberField('caliper', 'Caliper', 'um', 100, { min: 1, max: 5_000 }),
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
      const source = { label: 'practice', note: 'what lies inside is shorter by the measure of the house' } as const;
      for (const [i, mm] of panels.panelsMm.entries())
        book.showKnown(`panel${i + 1}`, `Panel ${i + 1}`, Math.round(mm * 100) / 100, 'mm', source);
      book.showKnown('layers', 'Layers', panels.layers, '', source);
      let at = 0;
      book.drawing = {
        title: 'Panels',
        ...{ widthMm: flat.lengthMm, heightMm: flat.otherMm },
        shapes: panels.panelsMm.map((width) => {
          const x = at;
          at += width;
          return { kind: 'box', role: 'piece', x, y: 0, width, height: flat.otherMm } as const;
        }),
      };
    },
  },
  {
    ...{ id: 'box', group: 'finishing', name: 'Box for so many', words: ['box', 'carton', 'pack'] },
    fields: [
      ...[side('width', 'Piece, width'), side('height', 'Piece, height')],
      numberField('thickness', 'Piece, thickness', 'mm', undefined, { min: 0.001, max: 1_000 }),
      numberField('mass', 'A piece weighs', 'g', undefined, { min: 0.001, max: 100_000 }),
      numberField('pieces', 'Pieces in a box', '', undefined, { min: 1, max: 1_000_000, whole: true }),
      numberField('wall', 'Board of the box', 'mm', 3, { max: 30 }),
      numberField('ect', 'Edge crush of the board', 'N/mm', 5, { min: 0.1, max: 50 }),
    ],
    reckon(book) {
      const piece = {
        ...{ widthMm: book.number('width'), heightMm: book.number('height') },
        ...{ thicknessMm: book.number('thickness'), massG: book.number('mass') },
      };
      const box = boxFor(piece, book.number('pieces'), book.number('wall'));
      const source = { label: 'identity', note: 'stacks no taller than 250 mm (practice), least board' } as const;
      const [length, width, depth] = box.outerMm;
      book.showKnown('length', 'Outside, length', length, 'mm', source);
      book.showKnown('breadth', 'Outside, width', width, 'mm', source);
      book.showKnown('depth', 'Outside, depth', depth, 'mm', source);
      book.show('kg', 'Full', 'kg', 'pieces * mass / 1000', { pieces: 'pieces', mass: 'mass' });
      book.show(
        'compression',
        'Bears, dry and new',
        'N',
        '5.87 * ect * sqrt(wall * 2 * (length + breadth))',
        {
          ...{ ect: 'ect', wall: 'wall', length: 'length', breadth: 'breadth' },
        },
        MCKEE,
      );
    },
  },
  {
    ...{ id: 'pallet', group: 'finishing', name: 'Boxes on a pallet', words: ['pallet', 'pallets', 'truck'] },
    fields: [
      ...[side('length', 'Box, length'), side('width', 'Box, width'), side('depth', 'Box, depth')],
      numberField('kg', 'A box weighs', 'kg', undefined, { min: 0.001, max: 5_000 }),
      numberField('boxes', 'Boxes', '', undefined, { min: 1, max: 1_000_000, whole: true }),
      numberField('palletLength', 'Pallet, length', 'mm', 1_200, { min: 100, max: 5_000 }),
      numberField('palletWidth', 'Pallet, width', 'mm', 800, { min: 100, max: 5_000 }),
      numberField('most', 'As high as', 'mm', 1_500, { min: 200, max: 5_000 }),
      numberField('mostKg', 'As heavy as', 'kg', 700, { min: 1, max: 10_000 }),
    ],
    reckon(book) {
      const outerMm = [book.number('length'), book.number('width'), book.number('depth')] as const;
      const plan = palletFor({ outerMm, kg: book.number('kg') }, book.number('boxes'), {
        ...{
          lengthMm: book.number('palletLength'),
          widthMm: book.number('palletWidth'),
          ownHeightMm: book.norms('pallet.ownHeight').value,
        },
        ...{ heightMm: book.number('most'), kg: book.number('mostKg') },
      });
      if (!plan) {
        book.refuse(error('sum.none-fits', 'length', { piece: outerMm.join(' × '), area: 'the pallet' }));
        return;
      }
      const source = { label: 'identity', note: 'the best layer of edge-to-edge boxes' } as const;
      book.showKnown('perLayer', 'In a layer', plan.perLayer, 'boxes', source);
      book.showKnown('layers', 'Layers', plan.layers, '', source);
      book.showKnown('perPallet', 'On a pallet', plan.perPallet, 'boxes', source);
      book.show('pallets', 'Pallets', '', 'ceil(boxes / perPallet)', { boxes: 'boxes', perPallet: 'perPallet' });
      const truck = book.known('truck', 'Width of the loading space', TRUCK_M, 'm', {
        ...{ label: 'practice', note: 'handbook chapter 7 "Packing"' },
      });
      book.show('loading', 'Metres of loading', 'm', 'pallets * (palletLength / 1000) * (palletWidth / 1000) / truck', {
        ...{ pallets: 'pallets', palletLength: 'palletLength', palletWidth: 'palletWidth', truck },
      });
    },
  },
];
