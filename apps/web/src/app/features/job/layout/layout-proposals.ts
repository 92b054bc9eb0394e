import { CdkDrag, CdkDropList } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { type ComponentLayout, type SheetPattern, withPattern } from '@druckerei/core';
import { ARRANGEMENT_WORDS } from '@druckerei/contract';
import { count } from '../../../ui/format';
import { LayoutView } from '../../../ui/layout-view';

/** How a component could lie otherwise: small pictures, taken by a click, by keys, or by dragging one onto the sheet. */
@Component({
  selector: 'dk-layout-proposals',
  imports: [CdkDrag, CdkDropList, LayoutView],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div
      class="proposals"
      cdkDropList
      cdkDropListSortingDisabled
      [cdkDropListConnectedTo]="sheet()"
      role="radiogroup"
      i18n-aria-label
      aria-label="How the pieces lie"
    >
      @for (one of shown(); track $index) {
        <button
          type="button"
          role="radio"
          cdkDrag
          [cdkDragData]="one.pattern"
          [cdkDragDisabled]="disabled()"
          [attr.aria-checked]="one.isChosen"
          [class.chosen]="one.isChosen"
          [disabled]="disabled()"
          (click)="taken.emit(one.pattern)"
        >
          <dk-layout-view [layout]="one.layout" [plain]="true" />
          <span
            ><b i18n>{{ count(one.pattern.count) }} up</b>, {{ words[one.pattern.arrangement]
            }}{{ one.pattern.grid ? ', ' + one.pattern.grid.columns + ' × ' + one.pattern.grid.rows : '' }}</span
          >
        </button>
      }
    </div>
  `,
  styles: `
    .proposals {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(128px, 1fr));
      gap: 8px;
    }
    button {
      font: inherit;
      text-align: left;
      color: inherit;
      background: none;
      border: 1px solid var(--mat-sys-outline-variant);
      border-radius: 4px;
      padding: 6px;
      cursor: grab;
    }
    button:disabled {
      cursor: default;
    }
    button.chosen {
      border-color: var(--mat-sys-primary);
      outline: 1px solid var(--mat-sys-primary);
    }
    dk-layout-view {
      display: block;
      pointer-events: none;
    }
  `,
})
export class LayoutProposals {
  readonly layout = input.required<ComponentLayout>();
  /** Patterns offered; the layout's own is the one chosen. */
  readonly patterns = input.required<readonly SheetPattern[]>();
  readonly disabled = input(false);
  /** Where a picture can be dropped. */
  readonly sheet = input.required<CdkDropList>();
  readonly taken = output<SheetPattern>();
  protected readonly count = count;
  protected readonly words = ARRANGEMENT_WORDS;
  protected readonly shown = computed(() => {
    const layout = this.layout();
    const { arrangement, count: up } = layout.pattern;
    return this.patterns().map((pattern) => ({
      pattern,
      layout: withPattern(layout, pattern),
      isChosen: pattern.arrangement === arrangement && pattern.count === up,
    }));
  });
}
