import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { MatAutocompleteModule } from '@angular/material/autocomplete';
import { MatButtonModule } from '@angular/material/button';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { MatChipsModule } from '@angular/material/chips';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatIconModule } from '@angular/material/icon';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import {
  type InkUse,
  inUse,
  type SheetSize,
  WORK_STYLES,
  chooseRepeat,
  madeRepeats,
  normsOf,
  webOf,
  figureOf,
} from '@druckerei/core';
import { count } from '../../../ui/format';
import { Measures } from '../../../ui/measures';
import { JobEditor } from '../state/job-editor';
import { FigureButton } from '../../../ui/figure-button';
import { InkDot } from '../parts/ink-dot';
import { LayoutView } from '../../../ui/layout-view';
import { STYLE_NAMES } from '../ui/style-names';
import { CarriersBench } from '../plates/carriers-bench';
import { DieFields } from '../layout/die-fields';
import { Choice } from '../parts/choice';
import { Field } from '../parts/field';
import { FormFields } from '../layout/form-fields';
import { InksBench } from '../inks/inks-bench';
import { Lock } from '../best/lock';
import { LayoutBench } from '../layout/layout-bench';
import { RegisterPlanBench } from '../register/register-plan-bench';
import { RollsBench } from '../buying/rolls-bench';
import { WaysBench } from '../ways/ways-bench';
import { ZonesBench } from '../zones/zones-bench';
import { WordPipe } from '../../../ui/word';

const VIEWS = [
  { id: 'press', name: $localize`Press` },
  { id: 'layout', name: $localize`Layout` },
  { id: 'rolls', name: $localize`Rolls` },
  { id: 'ways', name: $localize`Ways to run` },
  { id: 'carriers', name: $localize`Carriers` },
  { id: 'inks', name: $localize`Inks` },
  { id: 'zones', name: $localize`Zones` },
  { id: 'register', name: $localize`Register` },
] as const;
type View = (typeof VIEWS)[number]['id'];

const PAPER_OWNERS = [
  { id: 'house', name: $localize`the house` },
  { id: 'customer', name: $localize`the customer, not charged` },
];

/** The press bench of a component: paper, press, colours and work style; its layout, large; and every way to run it. */
@Component({
  selector: 'dk-print-bench',
  imports: [
    Choice,
    CarriersBench,
    DieFields,
    Field,
    FigureButton,
    FormFields,
    InksBench,
    InkDot,
    LayoutBench,
    LayoutView,
    Lock,
    MatAutocompleteModule,
    MatButtonModule,
    MatButtonToggleModule,
    MatChipsModule,
    MatFormFieldModule,
    MatIconModule,
    MatInputModule,
    MatSelectModule,
    RegisterPlanBench,
    RollsBench,
    WaysBench,
    ZonesBench,
    WordPipe,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './print-bench.html',
  styleUrl: '../parts/bench.scss',
})
export class PrintBench {
  protected readonly editor = inject(JobEditor);
  protected readonly measures = inject(Measures);
  readonly componentId = input.required<string>();
  readonly figureOpened = output<string>();
  protected readonly view = signal<View>('press');
  protected readonly owners = PAPER_OWNERS;
  protected readonly styles = WORK_STYLES.map((id) => ({ id, name: STYLE_NAMES[id] }));
  protected readonly sides = ['front', 'back'] as const;
  /** What the works has today, and what the job is planned on now. */
  private readonly offered = <T extends { id: string; retired?: boolean }>(
    all: readonly T[] = [],
    now = '',
  ): readonly T[] => all.filter(({ id, retired }) => !retired || id === now);
  protected readonly index = computed(
    () => this.editor.job()?.components.findIndex(({ id }) => id === this.componentId()) ?? -1,
  );
  protected readonly component = computed(() => this.editor.job()?.components[this.index()]);
  protected readonly stock = computed(() =>
    this.editor.works()?.stocks.find(({ id }) => id === this.component()?.stock),
  );
  protected readonly stocks = computed(() => this.offered(this.editor.works()?.stocks, this.component()?.stock));
  protected readonly presses = computed(() =>
    this.offered(this.editor.works()?.machines, this.component()?.press).filter(
      ({ press }) => press && press.units > 0,
    ),
  );
  /** Rolls where it takes rolls: on a web press, or through the sheeter. */
  protected readonly views = computed(() =>
    VIEWS.filter(({ id }) => id !== 'rolls' || this.layout()?.supply.kind === 'roll'),
  );
  protected readonly layout = computed(() => this.editor.plan()?.layouts[this.componentId()]);
  protected readonly sheetKey = ({ widthMm, heightMm, grain }: SheetSize): string => `${widthMm} ${heightMm} ${grain}`;
  protected readonly sheetText = ({ widthMm, heightMm, grain }: SheetSize): string =>
    $localize`${this.measures.size(widthMm, heightMm)} ${this.measures.of('mm').unit}, grain along ${this.measures.of('mm').show(grain === 'width' ? widthMm : heightMm)}`;
  protected readonly webPress = computed(() => {
    const machine = this.editor.works()?.machines.find(({ id }) => id === this.component()?.press);
    return machine && webOf(machine) ? machine.press : undefined;
  });
  /**
   * What the press can print on: the sizes of the stock, or on a web its rolls by the cut-off, or by the cylinders of the
   * store that hold the piece, least web for a thousand first.
   */
  protected readonly sheets = computed((): readonly { readonly sheet: SheetSize; readonly text: string }[] => {
    const press = this.webPress();
    const stock = this.stock();
    if (!press?.web) return (stock?.sheets ?? []).map((sheet) => ({ sheet, text: this.sheetText(sheet) }));
    const rolls = (stock?.rollWidthsMm ?? []).filter((width) => width <= press.maxSheetMm[0]);
    const { cutOffMm } = press.web;
    if (cutOffMm === undefined)
      return rolls.flatMap((width) => this.repeats(width)).sort((a, b) => a.areaM2 - b.areaM2);
    return rolls.map((widthMm) => {
      const sheet: SheetSize = { widthMm, heightMm: cutOffMm, grain: 'height' };
      const text = $localize`${this.measures.quantity(widthMm, 'mm')} roll, cut off at ${this.measures.quantity(cutOffMm, 'mm')}`;
      return { sheet, text };
    });
  });

  /** Cylinders that hold the piece on a roll: of the store, or made for the job. */
  private repeats(widthMm: number): { sheet: SheetSize; text: string; areaM2: number }[] {
    const [job, works, component, press] = [this.editor.job(), this.editor.works(), this.component(), this.webPress()];
    if (!job || !works || !component || !press?.web) return [];
    const bleedMm = component.lay?.bleedMm ?? normsOf(works, job.norms)('layout.bleed').value;
    const gapMm = Math.max(2 * bleedMm, component.lay?.gutterMm ?? 0);
    const { heightMm = 0 } = component;
    if (press.web.anyRepeat)
      return madeRepeats(heightMm, gapMm, press.minSheetMm[1], press.maxSheetMm[1]).map(({ repeatMm, around }) => {
        const size = $localize`${this.measures.quantity(widthMm, 'mm')} roll, repeat made at ${this.measures.quantity(repeatMm, 'mm')}`;
        return {
          sheet: { widthMm, heightMm: repeatMm, grain: 'height' },
          areaM2: widthMm * repeatMm,
          text: $localize`${size}, ${count(around)} around`,
        };
      });
    return chooseRepeat({
      widthMm: component.widthMm ?? 0,
      heightMm,
      gapMm,
      sideGapMm: gapMm,
      webWidthMm: widthMm,
      edgeMm: press.sideMm + bleedMm,
      cylinders: press.web.cylinderTeeth ?? [],
    }).map(({ teeth, repeatMm, around, across, areaM2PerThousand: areaM2 }) => {
      const size = $localize`${this.measures.quantity(widthMm, 'mm')} roll, ${count(teeth)} teeth`;
      return {
        sheet: { widthMm, heightMm: repeatMm, grain: 'height' },
        areaM2,
        text: $localize`${size}\: ${count(around * across)} up, ${count(areaM2, 1)} m² a thousand`,
      };
    });
  }
  /** A press sheet that is cut from something larger, in words; undefined where it is bought as it is. */
  protected readonly cutSheet = computed(() => {
    const component = this.component();
    if (!component || this.sheets().some(({ sheet }) => this.sheetKey(sheet) === this.sheetKey(component.sheet)))
      return undefined;
    const { bought } = component;
    const from =
      bought?.kind === 'roll'
        ? $localize`, from a roll of ${this.measures.quantity(bought.widthMm, 'mm')}`
        : bought?.kind === 'sheet'
          ? $localize`, out of ${this.measures.size(bought.widthMm, bought.heightMm)}`
          : '';
    return `${this.sheetText(component.sheet)}${from}`;
  });
  /** Coverage where the job gives none. */
  protected readonly coverageNorm = computed(() => {
    const figure = figureOf(this.editor.plan(), 'norm.ink.coverage');
    return figure ? count(this.measures.of(figure.unit).show(figure.value), 4) : '';
  });
  protected readonly figure = (name: string) => figureOf(this.editor.plan(), `component.${this.componentId()}.${name}`);

  protected chooseSheet(key: string): void {
    const sheet = this.sheets().find((one) => this.sheetKey(one.sheet) === key)?.sheet;
    const { bought: _bought, ...component } = this.component() ?? {};
    if (sheet) this.editor.set(['components', this.index()], { ...component, sheet });
  }

  /** Webs of the corrugator that the sheet could be slit from; none for what is no corrugated board. */
  protected readonly deckles = computed(() => {
    const stock = this.stock();
    return stock?.flutes ? (stock.rollWidthsMm ?? []) : [];
  });
  protected chooseDeckle(widthMm: number | null): void {
    this.editor.set(['components', this.index(), 'bought'], widthMm === null ? undefined : { kind: 'deckle', widthMm });
  }

  protected addInk(side: 'front' | 'back', name: string): void {
    const inks = this.component()?.[side] ?? [];
    const trimmed = name.trim().slice(0, 40);
    if (trimmed !== '' && !inks.some((ink) => ink.name === trimmed))
      this.editor.set(['components', this.index(), side], [...inks, { name: trimmed }]);
  }

  /** Adds the ink whose name is typed in a field, and empties it. */
  protected typed(side: 'front' | 'back', field: HTMLInputElement): void {
    this.addInk(side, field.value);
    field.value = '';
  }
  /** Inks of the house that a side has not. */
  protected keptInks(side: 'front' | 'back'): string[] {
    const has = new Set(this.component()?.[side].map(({ name }) => name));
    return inUse(this.editor.works()?.inks ?? []).flatMap(({ name }) => (has.has(name) ? [] : [name]));
  }

  protected removeInk(side: 'front' | 'back', name: string): void {
    const inks: readonly InkUse[] = this.component()?.[side] ?? [];
    this.editor.set(
      ['components', this.index(), side],
      inks.filter((ink) => ink.name !== name),
    );
  }
}
