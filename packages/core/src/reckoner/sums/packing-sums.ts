import { TRUCK_M, boxFor, loadTruck, palletFor } from '../../finishing/index.js';
import { error } from '../../kernel/index.js';
import { type Sum, numberField } from '../sum.js';

const side = (id: string, name: string, max = 5_000) => numberField(id, name, 'mm', undefined, { min: 0.1, max });
const MCKEE = { label: 'literature', note: $localize`McKee, Gander and Wachuta 1963` } as const;
const MM = 1_000;
/** A usual trailer, as the norms of a truck ship it: metres, kilograms. Source: from memory; its height common practice, no source. */
const TRAILER = { lengthM: 13.6, heightM: 2.6, kg: 24_000 };

/** Boxes, pallets, trucks. */
export const PACKING_SUMS: readonly Sum[] = [
  {
    ...{ id: 'box', group: 'finishing', name: $localize`Box for so many`, words: ['box', 'carton', 'pack'] },
    fields: [
      ...[side('width', $localize`Piece, width`), side('height', $localize`Piece, height`)],
      numberField('thickness', $localize`Piece, thickness`, 'mm', undefined, { min: 0.001, max: 1_000 }),
      numberField('mass', $localize`A piece weighs`, 'g', undefined, { min: 0.001, max: 100_000 }),
      numberField('pieces', $localize`Pieces in a box`, '', undefined, { min: 1, max: 1_000_000, whole: true }),
      numberField('wall', $localize`Board of the box`, 'mm', 3, { max: 30 }),
      numberField('ect', $localize`Edge crush of the board`, 'N/mm', 5, { min: 0.1, max: 50 }),
    ],
    reckon(book) {
      const piece = {
        ...{ widthMm: book.number('width'), heightMm: book.number('height') },
        ...{ thicknessMm: book.number('thickness'), massG: book.number('mass') },
      };
      const box = boxFor(piece, book.number('pieces'), book.number('wall'));
      const source = {
        label: 'identity',
        note: $localize`stacks no taller than 250 mm (practice), least board`,
      } as const;
      const [length, width, depth] = box.outerMm;
      book.showKnown('length', $localize`Outside, length`, length, 'mm', source);
      book.showKnown('breadth', $localize`Outside, width`, width, 'mm', source);
      book.showKnown('depth', $localize`Outside, depth`, depth, 'mm', source);
      book.show('kg', $localize`Full`, 'kg', 'pieces * mass / 1000', { pieces: 'pieces', mass: 'mass' });
      book.show(
        'compression',
        $localize`Bears, dry and new`,
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
    ...{ id: 'pallet', group: 'finishing', name: $localize`Boxes on a pallet`, words: ['pallet', 'pallets'] },
    fields: [
      ...[
        side('length', $localize`Box, length`),
        side('width', $localize`Box, width`),
        side('depth', $localize`Box, depth`),
      ],
      numberField('kg', $localize`A box weighs`, 'kg', undefined, { min: 0.001, max: 5_000 }),
      numberField('boxes', $localize`Boxes`, '', undefined, { min: 1, max: 1_000_000, whole: true }),
      numberField('palletLength', $localize`Pallet, length`, 'mm', 1_200, { min: 100, max: 5_000 }),
      numberField('palletWidth', $localize`Pallet, width`, 'mm', 800, { min: 100, max: 5_000 }),
      numberField('most', $localize`As high as`, 'mm', 1_500, { min: 200, max: 5_000 }),
      numberField('mostKg', $localize`As heavy as`, 'kg', 700, { min: 1, max: 10_000 }),
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
        book.refuse(error('sum.none-fits', 'length', { piece: outerMm.join(' × '), area: $localize`the pallet` }));
        return;
      }
      const source = { label: 'identity', note: $localize`the best layer of edge-to-edge boxes` } as const;
      book.showKnown('perLayer', $localize`In a layer`, plan.perLayer, 'boxes', source);
      book.showKnown('layers', $localize`Layers`, plan.layers, '', source);
      book.showKnown('perPallet', $localize`On a pallet`, plan.perPallet, 'boxes', source);
      book.show('pallets', $localize`Pallets`, '', 'ceil(boxes / perPallet)', {
        boxes: 'boxes',
        perPallet: 'perPallet',
      });
      const truck = book.known('truck', $localize`Width of the loading space`, TRUCK_M, 'm', {
        ...{ label: 'practice', note: $localize`handbook chapter 7 "Packing"` },
      });
      book.show(
        'loading',
        $localize`Metres of loading`,
        'm',
        'pallets * (palletLength / 1000) * (palletWidth / 1000) / truck',
        {
          ...{ pallets: 'pallets', palletLength: 'palletLength', palletWidth: 'palletWidth', truck },
        },
      );
    },
  },
  {
    ...{
      id: 'truck',
      group: 'finishing',
      name: $localize`Pallets on a truck`,
      words: ['truck', 'lorry', 'container', 'loading', 'truck pallets'],
    },
    fields: [
      numberField('pallets', $localize`Pallets`, '', undefined, { min: 1, max: 1_000_000, whole: true }),
      numberField('kg', $localize`A pallet weighs`, 'kg', undefined, { min: 1, max: 10_000 }),
      numberField('length', $localize`Pallet, length`, 'mm', 1_200, { min: 100, max: 5_000 }),
      numberField('width', $localize`Pallet, width`, 'mm', 800, { min: 100, max: 5_000 }),
      numberField('height', $localize`Pallet, height with its load`, 'mm', 1_500, { min: 100, max: 5_000 }),
      numberField('stacked', $localize`May stand on one another`, '', 1, { min: 1, max: 10, whole: true }),
      numberField('spaceLength', $localize`Loading space, length`, 'm', TRAILER.lengthM, { min: 0.5, max: 30 }),
      numberField('spaceWidth', $localize`Loading space, width`, 'm', TRUCK_M, { min: 0.5, max: 5 }),
      numberField('spaceHeight', $localize`Loading space, height`, 'm', TRAILER.heightM, { min: 0.5, max: 5 }),
      numberField('most', $localize`Heaviest load`, 'kg', TRAILER.kg, { min: 1, max: 100_000 }),
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
          error('sum.none-fits', 'length', {
            piece: $localize`${piece}, ${pallet.kg} kg`,
            area: $localize`the loading space`,
          }),
        );
        return;
      }
      const places = { label: 'identity', note: $localize`the best floor of edge-to-edge pallets` } as const;
      book.known('floor', $localize`Places on the floor`, load.floor.length, '', places);
      book.known('high', $localize`On one another`, load.high, '', {
        ...{ label: 'identity', note: $localize`what a pallet bears, and what stands under the roof` },
      });
      book.say('byRoom', $localize`By room`, 'pallets', 'floor * high', { floor: 'floor', high: 'high' });
      book.say('byMass', $localize`By mass`, 'pallets', 'floor(most / kg)', { most: 'most', kg: 'kg' });
      book.show('perTruck', $localize`On a truck`, 'pallets', 'min(byRoom, byMass)', {
        byRoom: 'byRoom',
        byMass: 'byMass',
      });
      book.show('trucks', $localize`Trucks`, '', 'ceil(pallets / perTruck)', {
        pallets: 'pallets',
        perTruck: 'perTruck',
      });
      book.show('last', $localize`On the last`, 'pallets', 'pallets - (trucks - 1) * perTruck', {
        ...{ pallets: 'pallets', trucks: 'trucks', perTruck: 'perTruck' },
      });
      book.show('load', $localize`All together`, 'kg', 'pallets * kg', { pallets: 'pallets', kg: 'kg' });
      book.show(
        'loading',
        $localize`Metres of loading`,
        'm',
        'ceil(pallets / high) * (length / 1000) * (width / 1000) / spaceWidth',
        {
          ...{ pallets: 'pallets', high: 'high', length: 'length', width: 'width', spaceWidth: 'spaceWidth' },
        },
      );
      book.caution = $localize`How the load is secured and what the axles bear is for whoever loads, by local rules.`;
      book.drawing = {
        title: $localize`Floor of the loading space, from above`,
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
