import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Shape, Spot, StationDrawing } from '@druckerei/core';

/** Room around the drawing for its measures, as a share of its longer side. */
const ROOM = 0.09;
type Measure = Extract<Shape, { kind: 'measure' }>;

/** A station's drawing to scale. Roles are told by stroke and fill, not by colour alone. */
@Component({
  selector: 'dk-station-drawing',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './station-drawing.html',
  styleUrl: './station-drawing.scss',
})
export class StationDrawingView {
  readonly drawing = input.required<StationDrawing>();
  private readonly long = computed(() => Math.max(this.drawing().widthMm, this.drawing().heightMm));
  private readonly room = computed(() => this.long() * ROOM);
  protected readonly letter = computed(() => this.long() / 34);
  protected readonly viewBox = computed(() => {
    const { widthMm, heightMm } = this.drawing();
    const room = this.room();
    return `${-room} ${-room} ${widthMm + 2 * room} ${heightMm + 2 * room}`;
  });

  protected run({ points, closed }: Extract<Shape, { kind: 'path' }>): string {
    return `M${points.map(({ x, y }) => `${x} ${y}`).join('L')}${closed ? 'Z' : ''}`;
  }

  /** Where a measure is drawn: below what lies, at the right of what stands. */
  private beside({ from, to }: Measure): { a: Spot; b: Spot; lies: boolean } {
    const lies = from.y === to.y;
    const off = this.room() * 0.35;
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
