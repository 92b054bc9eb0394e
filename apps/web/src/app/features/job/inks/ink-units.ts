import { type CdkDragDrop, CdkDrag, CdkDropList, moveItemInArray } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatIconModule } from '@angular/material/icon';
import { MatInputModule } from '@angular/material/input';
import { type Machine, type PassInks, type UnitInk, inkSchoolOf, unitsOf, figureOf, figureId } from '@druckerei/core';
import { INK_SCHOOL_WORDS, ORDER_RULE_WORDS } from '@druckerei/contract';
import { JobEditor } from '../state/job-editor';
import { FigureButton } from '../../../ui/figure-button';
import { InkDot } from '../parts/ink-dot';
import { WordPipe } from '../../../ui/word';

/** A unit of the press as it is drawn, with its ink where it has one. */
interface UnitBox {
  /** From 1; undefined for an ink that finds no unit. */
  readonly unit: number | undefined;
  readonly coats: boolean;
  readonly ink: UnitInk | undefined;
}

function boxesOf({ inks }: PassInks, { press }: Machine): readonly UnitBox[] {
  const [units, coating] = [press?.units ?? 0, press?.coatingUnits ?? 0];
  const boxes = Array.from({ length: units + coating }, (_, unit): UnitBox => ({
    unit: unit + 1,
    coats: unit >= units,
    ink: inks.find((ink) => ink.unit === unit),
  }));
  const left = inks.filter(({ unit }) => unit === undefined);
  return [...boxes, ...left.map((ink): UnitBox => ({ unit: undefined, coats: false, ink }))];
}

/** The units of the press in a row with their inks, pass by pass; inks are moved by drag or by the arrow keys. */
@Component({
  selector: 'dk-ink-units',
  imports: [
    CdkDrag,
    CdkDropList,
    FigureButton,
    InkDot,
    MatButtonModule,
    MatFormFieldModule,
    MatIconModule,
    MatInputModule,
    WordPipe,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './ink-units.html',
  styleUrl: './ink-units.scss',
})
export class InkUnits {
  protected readonly editor = inject(JobEditor);
  readonly componentId = input.required<string>();
  readonly chosen = input<string>();
  readonly chose = output<string>();
  readonly figureOpened = output<string>();
  protected readonly rules = ORDER_RULE_WORDS;
  protected readonly index = computed(
    () => this.editor.job()?.components.findIndex(({ id }) => id === this.componentId()) ?? -1,
  );
  protected readonly component = computed(() => this.editor.job()?.components[this.index()]);
  private readonly machine = computed(() =>
    this.editor.works()?.machines.find(({ id }) => id === this.component()?.press),
  );
  protected readonly passes = computed(() => {
    const [job, works, component, machine] = [this.editor.job(), this.editor.works(), this.component(), this.machine()];
    if (!job || !works || !component || !machine) return [];
    return unitsOf(job, works, component, machine).map((pass) => ({ ...pass, boxes: boxesOf(pass, machine) }));
  });
  protected readonly schoolText = computed(() => {
    const machine = this.machine();
    if (!machine?.press) return '';
    return `${machine.name}: ${INK_SCHOOL_WORDS[inkSchoolOf(machine)]}`;
  });
  protected readonly byHand = computed(() => this.component()?.inkOrder !== undefined);

  protected kg({ ink }: UnitBox) {
    return (
      ink && figureOf(this.editor.plan(), figureId.component(this.componentId(), `ink.${ink.side}.${ink.index}.drawn`))
    );
  }
  protected before(unit: number): string {
    return this.component()?.unitsBefore?.[unit - 1] ?? '';
  }

  protected setBefore(unit: number, text: string): void {
    const units = this.machine()?.press?.units ?? 0;
    const next = Array.from({ length: units }, (_, i) => (i === unit - 1 ? text.trim() : this.before(i + 1)));
    const any = next.some((name) => name !== '');
    this.editor.set(['components', this.index(), 'unitsBefore'], any ? next : undefined);
  }

  protected drop({ previousIndex, currentIndex }: CdkDragDrop<unknown>, boxes: readonly UnitBox[]): void {
    const moved = boxes[previousIndex]?.ink;
    const order = [...boxes];
    moveItemInArray(order, previousIndex, currentIndex);
    if (moved) this.setOrder(moved.side, order);
  }

  /** Moves an ink before or behind its neighbour on the same side. */
  protected key(event: KeyboardEvent, box: UnitBox, boxes: readonly UnitBox[]): void {
    const by = event.key === 'ArrowLeft' ? -1 : event.key === 'ArrowRight' ? 1 : 0;
    const { ink } = box;
    if (!ink || by === 0 || event.ctrlKey || event.metaKey) return;
    event.preventDefault();
    event.stopPropagation();
    const own = boxes.filter((one) => one.ink?.side === ink.side);
    const at = own.indexOf(box);
    if (at + by < 0 || at + by >= own.length) return;
    moveItemInArray(own, at, at + by);
    this.setOrder(ink.side, own);
    const row = (event.currentTarget as HTMLElement).parentElement;
    // It is drawn anew in its new place.
    setTimeout(() =>
      [...(row?.querySelectorAll<HTMLElement>('[data-unit-ink]') ?? [])]
        .find((one) => one.dataset['unitInk'] === ink.name && one.dataset['side'] === ink.side)
        ?.focus(),
    );
  }

  private setOrder(side: 'front' | 'back', boxes: readonly UnitBox[]): void {
    const names = boxes.flatMap(({ ink }) => (ink?.side === side ? [ink.name] : []));
    this.editor.set(['components', this.index(), 'inkOrder', side], names);
  }
  protected backToRules(): void {
    this.editor.set(['components', this.index(), 'inkOrder'], undefined);
  }
}
