import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  type ElementRef,
  afterNextRender,
  afterRenderEffect,
  computed,
  inject,
  signal,
  viewChild,
} from '@angular/core';
import { type Job, type Plan, streamModel, wordOf } from '@druckerei/core';
import { count } from '../../../ui/format';
import { Measures } from '../../../ui/measures';
import { RoomStore } from '../record/room.store';
import { JobClock } from '../state/job-clock';
import { JobEditor } from '../state/job-editor';
import { JobView } from '../state/job-view';
import { Panes } from '../state/panes';
import { Overview, type Seen } from '../stream/overview';
import { Stream } from '../stream/stream';

/** Letters that an end of the stream has room for. */
const NAME_ROOM = 13;

/** Letters of a line under a name there. */
const LINE_ROOM = 15;
const shorten = (text: string, room: number): string => (text.length > room ? `${text.slice(0, room - 1)}…` : text);

/** What an end of the stream is called: the item that it delivers, or the job. */
function productName({ items = [], title }: Job, figure: string): string {
  const item = items.find(({ id }) => figure === `item.${id}.quantity`)?.name;
  if (item !== undefined) return shorten(item, NAME_ROOM);
  return title.length > NAME_ROOM ? $localize`Product` : title;
}

/** The stream in its pane: whole, or at full size with the overview of where one is; the chosen station in sight. */
@Component({
  selector: 'dk-stream-pane',
  imports: [Overview, Stream],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './stream-pane.html',
  styleUrl: './stream-pane.scss',
})
export class StreamPane {
  protected readonly editor = inject(JobEditor);
  protected readonly view = inject(JobView);
  protected readonly clock = inject(JobClock);
  protected readonly panes = inject(Panes);
  private readonly measures = inject(Measures);
  private readonly room = inject(RoomStore);
  private readonly scroller = viewChild.required<ElementRef<HTMLElement>>('scroller');
  /** What of the drawing is in sight, as shares of it. */
  protected readonly seen = signal<Seen>({ x: 0, y: 0, width: 1, height: 1 });
  protected readonly overflows = computed(() => this.seen().width < 0.995 || this.seen().height < 0.995);
  private readonly opened = signal<ReadonlySet<string>>(new Set());

  protected readonly model = computed(() => {
    const [job, plan, works] = [this.editor.job(), this.editor.plan(), this.editor.works()];
    if (!job || !plan || !works) return undefined;
    const stockName = (id: string): string =>
      works.stocks
        .find((stock) => stock.id === id)
        ?.name.replace(' coated', '')
        .replace($localize`Uncoated `, '') ?? id;
    return streamModel(job, plan, {
      open: this.opened(),
      chosen: plan.steps.find(({ id }) => id === this.view.step())?.component ?? null,
      end: (end) => ({ title: productName(job, end.figure), lines: this.endLines(end.count, plan) }),
      paper: ({ stock, sheet }) => [
        shorten(stockName(stock), LINE_ROOM),
        this.measures.size(sheet.widthMm, sheet.heightMm),
      ],
      counts: this.counts(),
      marks: new Map(this.editor.findings().map(({ step, weight }) => [step, weight])),
    });
  });
  /** Last good count of each step. */
  private readonly counts = computed(
    () => new Map([...this.room.state().counts].map(([step, { good }]) => [step, good])),
  );

  constructor() {
    const destroyed = inject(DestroyRef);
    afterNextRender(() => {
      const element = this.scroller().nativeElement;
      const observer = new ResizeObserver(() => this.look());
      observer.observe(element);
      destroyed.onDestroy(() => observer.disconnect());
    });
    afterRenderEffect((onCleanup) => {
      this.model();
      this.panes.fitted();
      const step = this.view.step();
      const element = this.scroller().nativeElement;
      // Behind the next painting: to ask where things lie before it would lay the page out twice.
      const frame = requestAnimationFrame(() => setTimeout(() => this.bringInSight(element, step)));
      onCleanup(() => cancelAnimationFrame(frame));
    });
  }

  private bringInSight(scroller: HTMLElement, step: string | null): void {
    if (!scroller.isConnected) return;
    if (step !== null)
      scroller
        .querySelector(`[data-step="${CSS.escape(step)}"]`)
        ?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
    this.look();
  }

  /** Stations in the order in which they stand, those of a lane after each other. */
  shownSteps(): readonly string[] {
    return this.model()?.stations.map(({ step }) => step.id) ?? [];
  }

  protected look(): void {
    const { scrollLeft, scrollTop, clientWidth, clientHeight, scrollWidth, scrollHeight } =
      this.scroller().nativeElement;
    if (scrollWidth === 0 || scrollHeight === 0) return;
    this.seen.set({
      x: scrollLeft / scrollWidth,
      y: scrollTop / scrollHeight,
      width: clientWidth / scrollWidth,
      height: clientHeight / scrollHeight,
    });
  }

  /** Brings a place of the drawing, as shares of it, into the middle. */
  protected goTo({ x, y }: { readonly x: number; readonly y: number }): void {
    const element = this.scroller().nativeElement;
    element.scrollTo({
      left: x * element.scrollWidth - element.clientWidth / 2,
      top: y * element.scrollHeight - element.clientHeight / 2,
    });
  }

  protected toggleAlike(first: string): void {
    this.opened.update((now) => {
      const next = new Set(now);
      if (!next.delete(first)) next.add(first);
      return next;
    });
  }

  /** What an end of the stream says: what is ordered, and what the counts so far promise of it. */
  private endLines(ordered: number, plan: Plan): string[] {
    const forecast = this.room.forecast();
    const ends = plan.edges.filter(({ to }) => to === null).length;
    return forecast?.ok && ends === 1
      ? [$localize`${count(ordered)} ordered`, $localize`${count(forecast.value.expected)} expected`]
      : [count(ordered), wordOf('ordered')];
  }
}
