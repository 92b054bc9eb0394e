import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { Figure, Figures } from '@druckerei/core';
import { count, quantity } from '../../../ui/format';
import { FigureButton } from './figure-button';

interface Part {
  readonly text: string;
  readonly figure: Figure | undefined;
}

const FUNCTIONS = new Set(['ceil', 'floor', 'max', 'min']);
const show = (value: number): string => count(value, 4);

/** A formula as parts: names are told apart from signs, so that each can be opened. */
function partsOf(figure: Figure, figures: Figures): Part[] {
  return (figure.formula ?? '').split(/([a-z]\w*)/i).map((text) => {
    const id = FUNCTIONS.has(text) ? undefined : figure.inputs[text];
    return {
      text: id ? text : text.replaceAll('*', '×').replaceAll('ceil', 'round up ').replaceAll('floor', 'round down '),
      figure: id ? figures[id] : undefined,
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
  readonly figures = input.required<Figures>();
  /** Figures opened one out of another. */
  readonly trail = input.required<readonly string[]>();
  readonly inputOpened = output<string>();
  readonly wentBack = output<number>();
  protected readonly show = show;
  protected readonly quantity = quantity;
  protected readonly figure = computed(() => this.figures()[this.trail().at(-1) ?? '']);
  protected readonly crumbs = computed(() =>
    this.trail()
      .slice(0, -1)
      .map((id) => this.figures()[id]?.name ?? id),
  );
  protected readonly parts = computed(() => {
    const figure = this.figure();
    return figure ? partsOf(figure, this.figures()) : [];
  });
  protected readonly inputs = computed(() =>
    Object.entries(this.figure()?.inputs ?? {}).map(([name, id]) => ({ name, figure: this.figures()[id] })),
  );
}
