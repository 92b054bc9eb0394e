import {
  ChangeDetectionStrategy,
  Component,
  type ElementRef,
  afterNextRender,
  computed,
  inject,
  input,
  model,
  output,
  signal,
  viewChild,
} from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { MatTooltipModule } from '@angular/material/tooltip';
import {
  type ComponentLayout,
  type DrawnPage,
  type DrawnPiece,
  type SheetPlace,
  type SheetSide,
  SHEET_SIDES,
  drawLayout,
  numberText,
} from '@druckerei/core';
import { layoutWords } from '@druckerei/contract';
import { Measures } from './measures';
import { DrawingZoom, type Spot } from './drawing-zoom';
import { ZoomTools } from './zoom-tools';
import { WordPipe } from './word';

const TURN = { top: 0, right: 90, bottom: 180, left: 270 } as const;
/** Longest side of a sheet whose letters are of full size, millimetres. */
const FULL_SIZE = 700;
/** Height of an item's name, millimetres of the sheet. */
const MOST_LETTER = 24;

/**
 * The press sheet to scale, seen from the printed side, gripper at the foot: margins, pieces with their trim, pages with
 * their heads, grain, waste hatched. Either side, or both through each other to check how they back up; zoomed, moved
 * and measured with mouse or keys.
 */
@Component({
  selector: 'dk-layout-view',
  imports: [MatButtonModule, MatButtonToggleModule, MatTooltipModule, ZoomTools, WordPipe],
  providers: [DrawingZoom],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './layout-view.html',
  styleUrl: './layout-view.scss',
})
export class LayoutView {
  protected readonly measures = inject(Measures);
  readonly layout = input.required<ComponentLayout>();
  /** The drawing alone, small, without words. */
  readonly plain = input(false);
  /** With the tools of the layout bench; without them it is a picture. */
  readonly tools = input(false);
  /** Coverage of the ink zones to draw over the sheet, the left one first, and how wide a zone is. */
  readonly zones = input<{ readonly shares: readonly number[]; readonly widthMm: number }>();
  /** Register marks to draw, from the left and the gripper edge of the front. */
  readonly marks = input<readonly SheetPlace[]>([]);
  /** The next pattern (1) or the one before (-1) is asked for by key. */
  readonly stepped = output<number>();
  private readonly svg = viewChild.required<ElementRef<SVGSVGElement>>('svg');
  protected readonly zoom = inject(DrawingZoom);

  protected readonly sides = SHEET_SIDES;
  readonly side = model<SheetSide>('front');
  protected readonly seeThrough = signal(false);
  protected readonly hovered = signal('');
  /** Unique in the page, since several layouts may be drawn in it. */
  protected readonly hatchId = `waste-${Math.random().toString(36).slice(2)}`;

  protected readonly drawing = computed(() => drawLayout(this.layout(), this.side()));
  /** The other side as it lies behind this one: mirrored about the sheet, faint. */
  protected readonly behind = computed(() =>
    this.tools() && this.seeThrough()
      ? drawLayout(this.layout(), this.side() === 'front' ? 'back' : 'front')
      : undefined,
  );
  protected readonly mirror = computed(() => {
    const { sheet } = this.drawing();
    return this.layout().component.workStyle === 'work-and-tumble'
      ? `translate(0 ${sheet.height}) scale(1 -1)`
      : `translate(${sheet.width} 0) scale(-1 1)`;
  });
  protected readonly viewBox = computed(() => {
    const { sheet } = this.drawing();
    const k = this.scale();
    return `${-46 * k} ${-34 * k} ${sheet.width + 92 * k} ${sheet.height + 100 * k}`;
  });
  /** Letters and the room around a small sheet, a narrow web above all, are smaller in its millimetres. */
  protected readonly scale = computed(() => {
    const { sheet } = this.drawing();
    return Math.min(1, Math.max(sheet.width, sheet.height) / FULL_SIZE);
  });
  protected readonly caption = computed(() => layoutWords(this.layout()));
  protected readonly hasTwoSides = computed(() => this.layout().component.back.length > 0);
  /** One set of plates prints both sides: the drawing shows both at once. */

  constructor() {
    afterNextRender(() => {
      if (this.tools()) this.zoom.attach(this.svg().nativeElement);
    });
  }

  /** Bars of the ink zones, standing on the gripper edge about the middle of the sheet. */
  protected readonly zoneBars = computed(() => {
    const [zones, { sheet }] = [this.zones(), this.drawing()];
    if (!zones) return [];
    const left = (sheet.width - zones.shares.length * zones.widthMm) / 2;
    return zones.shares.map((share, i) => ({
      x: left + i * zones.widthMm,
      width: zones.widthMm,
      height: share * sheet.height,
      y: sheet.height * (1 - share),
      title: $localize`Zone ${i + 1}\: ${numberText(share * 100, 1)} %`,
    }));
  });

  protected headTurn({ x, y, width, height, head }: DrawnPage): string {
    return `rotate(${TURN[head]} ${x + width / 2} ${y + height / 2})`;
  }

  protected describe(piece: DrawnPiece, at: number): string {
    const { sheet } = this.drawing();
    const mm = (value: number): string => this.measures.quantity(Math.round(value * 10) / 10, 'mm');
    const { x, y, width, height } = piece.trim;
    return $localize`${piece.item ?? $localize`Piece ${at + 1}`}\: ${this.measures.size(width, height)} ${this.measures.of('mm').unit}, ${mm(x)} from the left, ${mm(sheet.height - y - height)} from the ${this.drawing().cutOffs > 0 ? $localize`foot of the turn` : $localize`gripper edge`}`;
  }

  protected runOf(points: readonly Spot[], closed = false): string {
    return `M${points.map(({ x, y }) => `${x} ${y}`).join('L')}${closed ? 'Z' : ''}`;
  }
  /** Letters of an item's name, as large as its place has room for. */
  protected nameSize({ trim, item = '' }: DrawnPiece): number {
    return Math.min(MOST_LETTER, (1.6 * trim.width) / Math.max(1, item.length));
  }
  /** Lines between the cut-offs of a web that are collected. */
  protected readonly cutOffLines = computed(() => {
    const { sheet, cutOffs } = this.drawing();
    return Array.from({ length: Math.max(0, cutOffs - 1) }, (_, i) => ((i + 1) * sheet.height) / cutOffs);
  });

  protected key(event: KeyboardEvent): void {
    if (!this.tools()) return;
    this.zoom.key(event, {
      n: () => this.stepped.emit(1),
      p: () => this.stepped.emit(-1),
      f: () => this.side.set(this.side() === 'front' ? 'back' : 'front'),
      t: () => this.seeThrough.set(!this.seeThrough()),
    });
  }
}
