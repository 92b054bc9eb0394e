import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import {
  type Figure,
  isFunction,
  measureOf,
  sayMeasured,
  signsIn,
  sourceInWords,
  symbolOf,
} from '@druckerei/core/kernel';
import { count } from './format';
import { Measures } from './measures';
import { FigureButton } from './figure-button';

/** Opens a figure by its id; undefined where there is none. */
export type FigureAt = (id: string) => Figure | undefined;

interface Part {
  readonly text: string;
  readonly figure: Figure | undefined;
}

const show = (value: number): string => count(value, 4);

/** Signs and functions of a formula as people say them. */
export const formulaWords = (formula: string): string =>
  signsIn(formula)
    .replaceAll('*', '×')
    .replaceAll(' - ', ' − ')
    .replaceAll('ceil', $localize`round up `)
    .replaceAll('floor', $localize`round down `)
    .replaceAll('sqrt', $localize`root of `)
    .replaceAll('pow', $localize`power `);

/** A formula as parts: names are told apart from signs, so that each can be opened. */
function partsOf(figure: Figure, figureAt: FigureAt): Part[] {
  return (figure.formula ?? '').split(/([a-z]\w*)/i).map((text) => {
    const id = isFunction(text) ? undefined : figure.inputs[text];
    return {
      text: id ? symbolOf(text) : formulaWords(text),
      figure: id ? figureAt(id) : undefined,
    };
  });
}

/** The working of a figure: its formula in words and in today's values, each input to be opened in turn. */
@Component({
  selector: 'dk-working',
  imports: [FigureButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './working.html',
  styleUrl: './working.scss',
})
export class Working {
  protected readonly sourceText = sourceInWords;
  /** Opens a figure by its id. */
  readonly figureAt = input.required<FigureAt>();
  /** Figures opened one out of another. */
  readonly trail = input.required<readonly string[]>();
  readonly inputOpened = output<string>();
  readonly wentBack = output<number>();
  protected readonly show = show;
  protected readonly measures = inject(Measures);
  protected readonly figure = computed(() => {
    const id = this.trail().at(-1);
    return id === undefined ? undefined : this.figureAt()(id);
  });
  /** The value in full, where it is said shorter. */
  protected readonly inFull = computed(() => {
    const figure = this.figure();
    if (!figure) return '';
    const full = this.measures.full(figure.value, figure.unit);
    return full === this.measures.figure(figure) ? '' : full;
  });
  /** The same figure in the other system of measures, where that reads it differently. */
  protected readonly inOther = computed(() => {
    const figure = this.figure();
    if (!figure) return '';
    const other = sayMeasured(figure.value, figure.unit, this.measures.other());
    return other === sayMeasured(figure.value, figure.unit, this.measures.system()) ? '' : other;
  });
  /** Whether inputs are read in other units than the formula reckons in. */
  protected readonly mixed = computed(() =>
    this.inputs().some(
      ({ figure }) => figure && measureOf(figure.unit, 'metric').unit !== this.measures.of(figure.unit).unit,
    ),
  );
  protected readonly crumbs = computed(() =>
    this.trail()
      .slice(0, -1)
      .map((id) => this.figureAt()(id)?.name ?? id),
  );
  protected readonly parts = computed(() => {
    const figure = this.figure();
    return figure ? partsOf(figure, this.figureAt()) : [];
  });
  protected readonly inputs = computed(() =>
    Object.entries(this.figure()?.inputs ?? {}).map(([name, id]) => ({
      name: symbolOf(name),
      figure: this.figureAt()(id),
    })),
  );
}
