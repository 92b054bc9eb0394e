import {
  ChangeDetectionStrategy,
  Component,
  type ElementRef,
  afterNextRender,
  computed,
  inject,
  input,
  viewChild,
} from '@angular/core';
import { type Shape, type Spot, type StationDrawing, roomAround } from '@druckerei/core';
import { Shapes } from '../../../ui/shapes';
import { DrawingZoom } from '../../../ui/drawing-zoom';
import { ZoomTools } from '../../../ui/zoom-tools';
import { WordPipe } from '../../../ui/word';

/** How far from its edge a length is written, and how large letters are, as shares of the longer side. */
const OFF = 0.03;
const LETTER = 1 / 28;
type Measure = Extract<Shape, { kind: 'measure' }>;

/** A station's drawing to scale. Roles are told by stroke and fill, not by colour alone. */
@Component({
  selector: 'dk-station-drawing',
  imports: [Shapes, ZoomTools, WordPipe],
  providers: [DrawingZoom],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './station-drawing.html',
  styleUrl: './station-drawing.scss',
})
export class StationDrawingView {
  readonly drawing = input.required<StationDrawing>();
  protected readonly zoom = inject(DrawingZoom);
  private readonly svg = viewChild.required<ElementRef<SVGSVGElement>>('svg');
  private readonly long = computed(() => Math.max(this.drawing().widthMm, this.drawing().heightMm));
  protected readonly letter = computed(() => this.long() * LETTER);
  protected readonly measures = computed(
    () => this.drawing().shapes.filter(({ kind }) => kind === 'measure') as Measure[],
  );
  protected readonly viewBox = computed(() => {
    const { edge, widthMm, heightMm } = roomAround(this.drawing());
    return `${0 - edge} ${0 - edge} ${widthMm} ${heightMm}`;
  });

  constructor() {
    afterNextRender(() => this.zoom.attach(this.svg().nativeElement));
  }

  /** Where a measure is drawn: below what lies, at the right of what stands. */
  private beside({ from, to }: Measure): { a: Spot; b: Spot; lies: boolean } {
    const lies = from.y === to.y;
    const off = this.long() * OFF;
    const move = ({ x, y }: Spot): Spot => (lies ? { x, y: y + off } : { x: x + off, y });
    return { a: move(from), b: move(to), lies };
  }

  protected arrow(shape: Measure): string {
    const { a, b, lies } = this.beside(shape);
    const tick = this.letter() * 0.3;
    const end = ({ x, y }: Spot): string => (lies ? `M${x} ${y - tick}v${2 * tick}` : `M${x - tick} ${y}h${2 * tick}`);
    return `M${a.x} ${a.y}L${b.x} ${b.y}${end(a)}${end(b)}`;
  }

  protected place(shape: Measure): string {
    const { a, b, lies } = this.beside(shape);
    const letter = this.letter();
    return lies
      ? `translate(${(a.x + b.x) / 2} ${a.y + letter * 1.15})`
      : `translate(${a.x + letter * 1.1} ${(a.y + b.y) / 2}) rotate(-90)`;
  }
}
