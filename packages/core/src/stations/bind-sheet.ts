import { bookGlue } from '../job/index.js';
import { UM, tenth } from '../kernel/index.js';
import { blockAndCover, stacked } from '../material/index.js';
import { type Shape, measure } from './drawing.js';
import type { SheetBook } from './sheet.js';

/** Grammage from which coated leaves want PUR. Source: common practice, no source. */
const HEAVY_COATED = 130;

/** Glued work: spine, cover, hot melt, cooling. Source: handbook chapter 7 "Binding". */
export function bindSheet(sheet: SheetBook): void {
  const { job } = sheet;
  const parted = blockAndCover(sheet.incoming);
  const made = stacked(parted.block);
  const trims = made?.trims;
  const block = sheet.card(sheet.give('block', $localize`Block`, (made?.caliperUm ?? 0) / UM, 'mm'));
  const spine = sheet.show('spine', $localize`Spine of the cover`, 'mm', 'block + calipers * cover / 1000', {
    block,
    calipers: sheet.norm('bind.coverCalipers'),
    cover: sheet.give('coverCaliper', $localize`Caliper of the cover`, parted.cover?.caliperUm ?? 0, 'um'),
  });
  const given = (name: string, title: string, mm = 0): string => sheet.give(name, title, mm, 'mm');
  const books = made?.books ?? 1;
  const fore = given('trimFore', $localize`Trim at the fore edge`, trims?.foreMm);
  const head = given(
    'trimHead',
    $localize`Trim at head and foot, both together`,
    (trims?.headMm ?? 0) + (trims?.footMm ?? 0),
  );
  const width = given(
    'pageWidth',
    $localize`Page, width`,
    (made?.widthMm ?? 0) - (trims?.foreMm ?? 0) - (trims?.spineMm ?? 0),
  );
  const height = given(
    'pageHeight',
    $localize`Page, height`,
    (made?.heightMm ?? 0) / books - (trims?.headMm ?? 0) - (trims?.footMm ?? 0),
  );
  const copies = sheet.give('copies', $localize`Books bound as one`, books, 'books');
  sheet.show('coverWidth', $localize`Cover, untrimmed, width`, 'mm', '2 * (page + trim) + spine', {
    page: width,
    trim: fore,
    spine,
  });
  sheet.show('coverHeight', $localize`Cover, untrimmed, height`, 'mm', 'copies * (page + trim)', {
    page: height,
    trim: head,
    copies,
  });
  if (job.binding?.spine === 'notched') {
    const every = sheet.norm('bind.notchEvery');
    sheet.show('notches', $localize`Notches of a spine`, 'notches', 'floor(copies * page / every)', {
      copies,
      page: height,
      every,
    });
    sheet.card(sheet.norm('bind.notchLength'));
    sheet.remark(
      $localize`Notched: the folder cuts through the spine fold, leaves stay joined; nothing is milled off.`,
    );
  } else
    sheet.show('mill', $localize`Block before milling, width`, 'mm', 'page + trim + mill', {
      page: width,
      trim: fore,
      mill: given('milled', $localize`Milled off the spine`, trims?.spineMm),
    });
  sheet.used('hot-melt');
  sheet.used('pur');
  const speed = sheet.work('conveyorSpeed', $localize`Speed of the conveyor`, 'm/min', 'books * spacing / 60', {
    books: sheet.machineNorm('speed'),
    spacing: sheet.machineNorm('spacing'),
  });
  sheet.card(speed);
  const clamps = sheet.machine?.takes?.clamps;
  if (clamps !== undefined)
    sheet.show('clampRound', $localize`A block is held in its clamp`, 's', '3600 * clamps / books', {
      clamps: sheet.give('clamps', $localize`Clamps of the machine`, clamps, 'clamps'),
      books: sheet.machineNorm('speed'),
    });
  const cooling = sheet.show('cooling', $localize`Cooling on the conveyor`, 'min', 'length / speed', {
    length: sheet.machineNorm('conveyor'),
    speed,
  });
  const wanted = sheet.norm('bind.coolMinutes');
  sheet.show('fastest', $localize`Fastest that still cools`, 'books/h', '60 * length / wanted / spacing', {
    length: sheet.machineNorm('conveyor'),
    wanted,
    spacing: sheet.machineNorm('spacing'),
  });
  if (sheet.value(cooling) < sheet.value(wanted))
    sheet.remark(
      $localize`The conveyor is too short for ${tenth(sheet.value(wanted))} min at this speed: run slower, or let the books lie before they are cut.`,
    );
  const text = sheet.job.components.find(({ kind }) => kind === 'section');
  const stock = text && sheet.works.stocks.find(({ id }) => id === text.stock);
  if (stock?.coated && stock.gsm >= HEAVY_COATED && bookGlue(job.finish) !== 'pur')
    sheet.remark($localize`Heavy coated text: PUR holds its leaves better than hot melt.`);
  if (job.binding?.twoUp)
    sheet.remark($localize`Two-up, head to head: half the clamps for the same books; split after the conveyor.`);
  drawSpine(sheet, sheet.value(width), sheet.value(height), sheet.value(spine), sheet.value(fore));
}

/** The cover spread flat around its spine. */
function drawSpine(sheet: SheetBook, page: number, height: number, spine: number, trim: number): void {
  const side = page + trim;
  const all = 2 * side + spine;
  const tall = height + 2 * trim;
  const hinge = sheet.value(sheet.norm('bind.hinge'));
  const lines = [side - hinge, side, side + spine, side + spine + hinge].map((x): Shape => ({
    kind: 'path',
    role: 'fold',
    points: [
      { x, y: 0 },
      { x, y: tall },
    ],
  }));
  sheet.draw({
    title: $localize`Cover around the block, outside up`,
    widthMm: all,
    heightMm: tall,
    shapes: [
      { kind: 'box', role: 'piece', x: 0, y: 0, width: all, height: tall },
      { kind: 'box', role: 'block', x: side, y: 0, width: spine, height: tall },
      { kind: 'box', role: 'edge', x: trim, y: trim, width: all - 2 * trim, height: height },
      ...lines,
      measure({ x: 0, y: tall }, { x: side, y: tall }, side),
      measure({ x: side, y: tall }, { x: side + spine, y: tall }, spine),
      measure({ x: all, y: 0 }, { x: all, y: tall }, tall),
    ],
  });
}
