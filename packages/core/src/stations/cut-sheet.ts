import type { Cut } from '../finishing/index.js';
import { type ComponentLayout, partsSheet } from '../press-sheet/index.js';
import { cutWork } from '../plan/index.js';
import { figureOf, wordOf } from '../kernel/index.js';
import { figureId } from '../job/index.js';
import { type Shape, mmText, piecesOn } from './drawing.js';
import type { SheetBook } from './sheet.js';

const BACK: Readonly<Record<Cut['back'], string>> = {
  left: $localize`left edge`,
  right: $localize`right edge`,
  gripper: $localize`gripper edge`,
  tail: $localize`tail`,
};
const TURNS = [$localize`as it lies`, $localize`quarter turn`, $localize`half turn`] as const;

/** The guillotine: programme, gauges, turns, lifts and what falls away. Source: handbook chapter 7 "Guillotine". */
export function cutSheet(sheet: SheetBook): void {
  const { layout, step } = sheet;
  const lifts = figureOf(sheet.plan, figureId.step(step.id, 'lifts'));
  if (lifts) sheet.card(lifts.id);
  if (!layout || !partsSheet(step, layout)) return;
  const least = sheet.norm('cut.leastStrip');
  const { programme } = cutWork(layout, step, sheet.value(least));
  if (!programme) {
    sheet.remark($localize`No full cuts part these pieces. Choose a layout in rows, or die cut it.`);
    return;
  }
  const cuts = sheet.card(figureId.step(step.id, 'cuts'));
  const turns = sheet.card(figureId.step(step.id, 'turns'));
  sheet.show('liftMinutes', $localize`Minutes a lift`, 'min', 'load + (cuts * cut + turns * turn) / 60', {
    load: sheet.machineNorm('minutesPerLift'),
    cuts,
    turns,
    cut: sheet.machineNorm('secondsPerCut'),
    turn: sheet.norm('cut.turnSeconds'),
  });
  const blades = sheet.show('blades', $localize`Blade changes`, 'changes', 'lifts * cuts / life', {
    lifts: figureId.step(step.id, 'lifts'),
    cuts,
    life: sheet.norm('cut.bladeCuts'),
  });
  sheet.show('bladeMinutes', $localize`Blade changes, share of this job`, 'min', 'blades * minutes', {
    blades,
    minutes: sheet.norm('cut.bladeMinutes'),
  });
  const waste = sheet.give('wasteMm2', $localize`Falls away of a sheet`, programme.wasteMm2, 'mm2');
  const gsm = sheet.give(
    'through',
    $localize`Grammage of all that is cut through`,
    sheet.first?.throughGsm ?? 0,
    'g/m2',
  );
  sheet.show('wasteKg', $localize`Shavings and strips`, 'kg', 'waste / 1000000 * gsm / 1000 * units', {
    waste,
    gsm,
    units: sheet.units,
  });
  sheet.list({
    title: $localize`Cutting programme`,
    heads: [
      $localize`Cut`,
      $localize`Gauge mm`,
      $localize`At the back`,
      $localize`Turn`,
      $localize`Falls away`,
      $localize`Piles together`,
    ],
    rows: programme.cuts.map((cut, i) => [
      i + 1,
      mmText(cut.gaugeMm),
      BACK[cut.back],
      TURNS[cut.quarterTurns],
      wordOf(cut.falls),
      cut.piles.length,
    ]),
  });
  const short = programme.tooShort.length;
  if (short > 0)
    sheet.remark(
      $localize`${short === 1 ? $localize`1 cut has` : $localize`${short} cuts have`} a gauge below ${mmText(sheet.value(least))} mm, which the clamp does not hold: use a backing strip, or lay the pieces otherwise.`,
    );
  sheet.draw({
    title: $localize`Cuts in order`,
    widthMm: layout.sheet.widthMm,
    heightMm: layout.sheet.heightMm,
    shapes: drawCuts(layout, programme.cuts),
  });
}

/** Both cuts of a gutter lie so close that they have one label. */
const cutLabel = (cuts: readonly Cut[], i: number): string =>
  cuts[i + 1]?.falls === 'gutter' ? `${i + 1}, ${i + 2}` : String(i + 1);

function drawCuts(layout: ComponentLayout, cuts: readonly Cut[]): Shape[] {
  const { widthMm, heightMm } = layout.sheet;
  const down = (y: number): number => heightMm - y;
  const pieces = piecesOn(layout).map((box): Shape => ({ kind: 'box', role: 'piece', ...box }));
  const lines = cuts.flatMap((cut, i): Shape[] =>
    cut.piles.map((pile, j): Shape => {
      const fromLow = cut.back === 'left' || cut.back === 'gripper';
      const label = j === 0 && cut.falls !== 'gutter' ? { label: cutLabel(cuts, i) } : {};
      if (cut.back === 'left' || cut.back === 'right') {
        const x = fromLow ? pile.x[0] + cut.gaugeMm : pile.x[1] - cut.gaugeMm;
        return {
          kind: 'path',
          role: 'cut',
          points: [
            { x, y: down(pile.y[1]) },
            { x, y: down(pile.y[0]) },
          ],
          ...label,
        };
      }
      const y = down(fromLow ? pile.y[0] + cut.gaugeMm : pile.y[1] - cut.gaugeMm);
      return {
        kind: 'path',
        role: 'cut',
        points: [
          { x: pile.x[0], y },
          { x: pile.x[1], y },
        ],
        ...label,
      };
    }),
  );
  return [{ kind: 'box', role: 'sheet', x: 0, y: 0, width: widthMm, height: heightMm }, ...pieces, ...lines];
}
