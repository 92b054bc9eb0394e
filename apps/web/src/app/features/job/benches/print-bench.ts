import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { MatChipsModule } from '@angular/material/chips';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatIconModule } from '@angular/material/icon';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import { type InkUse, type SheetSize, WORK_STYLES } from '@druckerei/core';
import { count } from '../../../ui/format';
import { Measures } from '../../../ui/measures';
import { JobEditor } from '../state/job-editor';
import { FigureButton } from '../ui/figure-button';
import { LayoutView } from '../ui/layout-view';
import { STYLE_NAMES } from '../ui/style-names';
import { Field } from './field';
import { LayoutBench } from './layout-bench';
import { WaysBench } from './ways-bench';

const VIEWS = [
  { id: 'press', name: 'Press' },
  { id: 'layout', name: 'Layout' },
  { id: 'ways', name: 'Ways to run' },
] as const;
type View = (typeof VIEWS)[number]['id'];

/** The press bench of a component: paper, press, colours and work style; its layout, large; and every way to run it. */
@Component({
  selector: 'dk-print-bench',
  imports: [
    Field,
    FigureButton,
    LayoutBench,
    LayoutView,
    MatButtonModule,
    MatButtonToggleModule,
    MatChipsModule,
    MatFormFieldModule,
    MatIconModule,
    MatInputModule,
    MatSelectModule,
    WaysBench,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './print-bench.html',
  styleUrl: './bench.scss',
})
export class PrintBench {
  protected readonly editor = inject(JobEditor);
  private readonly measures = inject(Measures);
  readonly componentId = input.required<string>();
  readonly figureOpened = output<string>();
  protected readonly views = VIEWS;
  protected readonly view = signal<View>('press');
  protected readonly styles = WORK_STYLES.map((id) => ({ id, name: STYLE_NAMES[id] }));
  protected readonly sides = ['front', 'back'] as const;
  protected readonly index = computed(
    () => this.editor.job()?.components.findIndex(({ id }) => id === this.componentId()) ?? -1,
  );
  protected readonly component = computed(() => this.editor.job()?.components[this.index()]);
  protected readonly stock = computed(() =>
    this.editor.works()?.stocks.find(({ id }) => id === this.component()?.stock),
  );
  protected readonly presses = computed(() => this.editor.works()?.machines.filter(({ press }) => press) ?? []);
  protected readonly layout = computed(() => this.editor.plan()?.layouts[this.componentId()]);
  protected readonly sheetKey = ({ widthMm, heightMm, grain }: SheetSize): string => `${widthMm} ${heightMm} ${grain}`;
  protected readonly sheetText = ({ widthMm, heightMm, grain }: SheetSize): string =>
    `${this.measures.size(widthMm, heightMm)} ${this.measures.of('mm').unit}, grain along ${this.measures.of('mm').show(grain === 'width' ? widthMm : heightMm)}`;
  /** A press sheet that is cut from something larger, in words; undefined where it is bought as it is. */
  protected readonly cutSheet = computed(() => {
    const component = this.component();
    if (!component || this.stock()?.sheets.some((sheet) => this.sheetKey(sheet) === this.sheetKey(component.sheet)))
      return undefined;
    const { bought } = component;
    const from =
      bought?.kind === 'roll'
        ? `, from a roll of ${this.measures.quantity(bought.widthMm, 'mm')}`
        : bought
          ? `, out of ${this.measures.size(bought.widthMm, bought.heightMm)}`
          : '';
    return `${this.sheetText(component.sheet)}${from}`;
  });
  /** Coverage where the job gives none. */
  protected readonly coverageNorm = computed(() => {
    const figure = this.editor.plan()?.figures['norm.ink.coverage'];
    return figure ? count(this.measures.of(figure.unit).show(figure.value), 4) : '';
  });
  protected readonly figure = (name: string) => this.editor.plan()?.figures[`component.${this.componentId()}.${name}`];

  protected chooseSheet(key: string): void {
    const sheet = this.stock()?.sheets.find((size) => this.sheetKey(size) === key);
    const { bought: _bought, ...component } = this.component() ?? {};
    if (sheet) this.editor.set(['components', this.index()], { ...component, sheet });
  }

  protected addInk(side: 'front' | 'back', name: string): void {
    const inks = this.component()?.[side] ?? [];
    const trimmed = name.trim().slice(0, 40);
    if (trimmed !== '' && !inks.some((ink) => ink.name === trimmed))
      this.editor.set(['components', this.index(), side], [...inks, { name: trimmed }]);
  }

  protected removeInk(side: 'front' | 'back', name: string): void {
    const inks: readonly InkUse[] = this.component()?.[side] ?? [];
    this.editor.set(
      ['components', this.index(), side],
      inks.filter((ink) => ink.name !== name),
    );
  }
}
