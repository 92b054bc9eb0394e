import { Injectable, computed, inject, signal } from '@angular/core';
import { select } from 'd3-selection';
import { type ZoomBehavior, zoom } from 'd3-zoom';
import { Measures } from './measures';

/** A place of a drawing, millimetres. */
export interface Spot {
  readonly x: number;
  readonly y: number;
}

const MOST_ZOOM = 12;
const STEP = 1.4;
/** How far an arrow key moves a drawing, in its millimetres at full size. */
const NUDGE = 60;

/**
 * The one way to look closer at a drawing and to measure on it: by wheel with Ctrl, by dragging, by keys, by the buttons of
 * `dk-zoom-tools`. Each drawing provides one of its own.
 */
@Injectable()
export class DrawingZoom {
  private readonly measures = inject(Measures);
  private svg: SVGSVGElement | undefined;
  private readonly zoomer: ZoomBehavior<SVGSVGElement, unknown> = zoom<SVGSVGElement, unknown>()
    .scaleExtent([1, MOST_ZOOM])
    // The plain wheel scrolls the pane that the drawing is in.
    .filter((event: Event) => !(event instanceof WheelEvent) || event.ctrlKey || event.metaKey)
    .on('zoom', (event: { transform: { toString(): string } }) => this.moved.set(event.transform.toString()));
  private readonly moved = signal('');
  /** How the drawing's group is moved. */
  readonly transform = this.moved.asReadonly();
  readonly measuring = signal(false);
  private readonly ends = signal<readonly Spot[]>([]);
  /** The distance measured: its ends, and what it comes to. */
  readonly distance = computed(() => {
    const [a, b] = this.ends();
    if (!a || !b) return undefined;
    const mm = (value: number): string => this.measures.quantity(Math.round(value * 10) / 10, 'mm');
    return {
      a,
      b,
      text: $localize`${mm(Math.hypot(b.x - a.x, b.y - a.y))} (${mm(Math.abs(b.x - a.x))} across, ${mm(Math.abs(b.y - a.y))} up)`,
    };
  });
  /** The first end, while the second is looked for. */
  readonly firstEnd = computed(() => (this.ends().length === 1 ? this.ends()[0] : undefined));

  /** Begins on the drawing's element. */
  attach(svg: SVGSVGElement): void {
    this.svg = svg;
    select<SVGSVGElement, unknown>(svg).call(this.zoomer).on('dblclick.zoom', null);
  }

  private act(what: (selected: ReturnType<typeof select<SVGSVGElement, unknown>>) => void): void {
    if (this.svg) what(select<SVGSVGElement, unknown>(this.svg));
  }

  larger(): void {
    this.act((drawn) => this.zoomer.scaleBy(drawn, STEP));
  }
  smaller(): void {
    this.act((drawn) => this.zoomer.scaleBy(drawn, 1 / STEP));
  }
  fit(): void {
    this.act((drawn) => {
      this.zoomer.scaleTo(drawn, 1);
      this.zoomer.translateTo(drawn, 0, 0, [0, 0]);
    });
    this.ends.set([]);
  }
  measure(): void {
    this.measuring.update((now) => !now);
  }
  private move(x: number, y: number): void {
    this.act((drawn) => this.zoomer.translateBy(drawn, x, y));
  }

  /** Keys of a drawing; the page's own go on working outside it. @param more what this drawing does beside. */
  key(event: KeyboardEvent, more: Readonly<Record<string, () => void>> = {}): void {
    const actions: Readonly<Record<string, () => void>> = {
      '+': () => this.larger(),
      '-': () => this.smaller(),
      '0': () => this.fit(),
      ArrowLeft: () => this.move(NUDGE, 0),
      ArrowRight: () => this.move(-NUDGE, 0),
      ArrowUp: () => this.move(0, NUDGE),
      ArrowDown: () => this.move(0, -NUDGE),
      m: () => this.measure(),
      ...more,
    };
    const action = event.ctrlKey || event.metaKey || event.altKey ? undefined : actions[event.key];
    if (!action) return;
    event.preventDefault();
    event.stopPropagation();
    action();
  }

  /** Sets an end of the distance where the drawing is clicked: in the group that is moved, the drawing's only one. */
  click(event: MouseEvent): void {
    const content = this.measuring() ? this.svg?.querySelector<SVGGElement>(':scope > g') : null;
    const matrix = content?.getScreenCTM();
    if (!matrix) return;
    const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse());
    const ends = this.ends();
    this.ends.set(ends.length === 1 ? [...ends, { x, y }] : [{ x, y }]);
  }
}
