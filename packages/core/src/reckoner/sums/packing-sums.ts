import { TRUCK_M, boxFor, loadTruck, palletFor } from '../../finishing/index.js';
import { error } from '../../kernel/index.js';
import { type Sum, numberField } from '../sum.js';

const side = (id: string, name: string, max = 5_000) => numberField(id, name, 'mm', undefined, { min: 0.1, max });
const MCKEE = { label: 'literature', note: 'McKee, Gander and Wachuta 1963' } as const;
const MM = 1_000;
/** A usual trailer, as the norms of a truck ship it: metres, kilograms. Source: from memory; its height common practice, no source. */
const TRAILER = { lengthM: 13.6, heightM: 2.6, kg: 24_000 };

/** Boxes, pallets, trucks. */
export const PACKING_SUMS: readonly Sum[] = [
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
    ...{ id: 'pallet', group: 'finishing', name: 'Boxes on a pallet', words: ['pallet', 'pallets'] },
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
  {
    ...{
      id: 'truck',
      group: 'finishing',
      name: 'Pallets on a truck',
      words: ['truck', 'lorry', 'container', 'loading', 'truck pallets'],
    },
    fields: [
      numberField('pallets', 'Pallets', '', undefined, { min: 1, max: 1_000_000, whole: true }),
      numberField('kg', 'A pallet weighs', 'kg', undefined, { min: 1, max: 10_000 }),
      numberField('length', 'Pallet, length', 'mm', 1_200, { min: 100, max: 5_000 }),
      numberField('width', 'Pallet, width', 'mm', 800, { min: 100, max: 5_000 }),
      numberField('height', 'Pallet, height with its load', 'mm', 1_500, { min: 100, max: 5_000 }),
      numberField('stacked', 'May stand on one another', '', 1, { min: 1, max: 10, whole: true }),
      numberField('spaceLength', 'Loading space, length', 'm', TRAILER.lengthM, { min: 0.5, max: 30 }),
      numberField('spaceWidth', 'Loading space, width', 'm', TRUCK_M, { min: 0.5, max: 5 }),
      numberField('spaceHeight', 'Loading space, height', 'm', TRAILER.heightM, { min: 0.5, max: 5 }),
      numberField('most', 'Heaviest load', 'kg', TRAILER.kg, { min: 1, max: 100_000 }),
    ],
    reckon(book) {
      const pallet = {
        ...{ lengthMm: book.number('length'), widthMm: book.number('width'), heightMm: book.number('height') },
        ...{ kg: book.number('kg'), stacked: book.number('stacked') },
      };
      const space = {
        ...{ lengthMm: book.number('spaceLength') * MM, widthMm: book.number('spaceWidth') * MM },
        ...{ heightMm: book.number('spaceHeight') * MM, kg: book.number('most') },
      };
      const load = loadTruck(pallet, space);
      if (!load) {
        const piece = [pallet.lengthMm, pallet.widthMm, pallet.heightMm].join(' × ');
        book.refuse(
          error('sum.none-fits', 'length', { piece: `${piece}, ${pallet.kg} kg`, area: 'the loading space' }),
        );
        return;
      }
      const places = { label: 'identity', note: 'the best floor of edge-to-edge pallets' } as const;
      book.known('floor', 'Places on the floor', load.floor.length, '', places);
      book.known('high', 'On one another', load.high, '', {
        ...{ label: 'identity', note: 'what a pallet bears, and what stands under the roof' },
      });
      book.say('byRoom', 'By room', 'pallets', 'floor * high', { floor: 'floor', high: 'high' });
      book.say('byMass', 'By mass', 'pallets', 'floor(most / kg)', { most: 'most', kg: 'kg' });
      book.show('perTruck', 'On a truck', 'pallets', 'min(byRoom, byMass)', { byRoom: 'byRoom', byMass: 'byMass' });
      book.show('trucks', 'Trucks', '', 'ceil(pallets / perTruck)', { pallets: 'pallets', perTruck: 'perTruck' });
      book.show('last', 'On the last', 'pallets', 'pallets - (trucks - 1) * perTruck', {
        ...{ pallets: 'pallets', trucks: 'trucks', perTruck: 'perTruck' },
      });
      book.show('load', 'All together', 'kg', 'pallets * kg', { pallets: 'pallets', kg: 'kg' });
      book.show(
        'loading',
        'Metres of loading',
        'm',
        'ceil(pallets / high) * (length / 1000) * (width / 1000) / spaceWidth',
        {
          ...{ pallets: 'pallets', high: 'high', length: 'length', width: 'width', spaceWidth: 'spaceWidth' },
        },
      );
      book.caution = 'How the load is secured and what the axles bear is for whoever loads, by local rules.';
      book.drawing = {
        title: 'Floor of the loading space, from above',
        ...{ widthMm: space.lengthMm, heightMm: space.widthMm },
        shapes: [
          { kind: 'box', role: 'edge', x: 0, y: 0, width: space.lengthMm, height: space.widthMm },
          ...load.floor.map(({ xMm, yMm, widthMm, heightMm }) => ({
            ...({ kind: 'box', role: 'piece' } as const),
            ...{ x: xMm, y: yMm, width: widthMm, height: heightMm },
          })),
        ],
      };
    },
  },
];
