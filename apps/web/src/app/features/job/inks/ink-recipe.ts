import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { mixInk, valueAt, figureId } from '@druckerei/core';
import { issueText } from '@druckerei/contract';
import { count } from '../../../ui/format';
import { JobEditor } from '../state/job-editor';
import { Field } from '../parts/field';
import { WordPipe } from '../../../ui/word';

/** The recipe of a mixed colour, its rests, and the list to weigh out for what the plan draws. */
@Component({
  selector: 'dk-ink-recipe',
  imports: [Field, MatButtonModule, MatIconModule, WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h3 i18n>Recipe</h3>
    @for (part of recipe(); track $index; let i = $index) {
      <div class="row">
        <dk-field i18n-label label="Base ink" [path]="['inks', at(), 'recipe', i, 'ink']" kind="text" />
        <dk-field i18n-label label="Parts" [path]="['inks', at(), 'recipe', i, 'parts']" />
        @if (editor.editable()) {
          <button matIconButton [attr.aria-label]="'Take out {0}' | word: part.ink" (click)="remove('recipe', i)">
            <mat-icon>close</mat-icon>
          </button>
        }
      </div>
    }
    @for (rest of rests(); track $index; let i = $index) {
      <div class="row">
        <dk-field i18n-label label="Rest, used first" [path]="['inks', at(), 'rests', i, 'name']" kind="text" />
        <dk-field i18n-label label="Left" unit="kg" [path]="['inks', at(), 'rests', i, 'kg']" />
        @if (editor.editable()) {
          <button matIconButton [attr.aria-label]="'Take out {0}' | word: rest.name" (click)="remove('rests', i)">
            <mat-icon>close</mat-icon>
          </button>
        }
      </div>
    }
    @if (editor.editable()) {
      <button matButton (click)="addPart()"><mat-icon>add</mat-icon><ng-container i18n>Base ink</ng-container></button>
      <button matButton (click)="addRest()"><mat-icon>add</mat-icon><ng-container i18n>Rest</ng-container></button>
    }
    @if (recipe().length > 0) {
      @if (mixing(); as m) {
        <table data-test="mixing">
          <thead>
            <tr>
              <th i18n scope="col">Weigh out</th>
              <th scope="col" class="number">kg</th>
            </tr>
          </thead>
          <tbody>
            @for (rest of m.rests; track $index) {
              <tr>
                <td>{{ rest.name }} <span i18n class="quiet">(rest)</span></td>
                <td class="number">{{ count(rest.kg, 3) }}</td>
              </tr>
            }
            @for (base of m.bases; track $index) {
              <tr>
                <td>{{ base.ink }}</td>
                <td class="number">{{ count(base.kg, 3) }}</td>
              </tr>
            }
          </tbody>
        </table>
      } @else {
        <p role="alert" class="wrong">{{ problem() }}</p>
      }
    }
  `,
  styleUrl: './ink-recipe.scss',
})
export class InkRecipe {
  protected readonly editor = inject(JobEditor);
  /** Place of the ink in the job's list. */
  readonly at = input.required<number>();
  protected readonly count = count;
  private readonly ink = computed(() => this.editor.job()?.inks?.[this.at()]);
  protected readonly recipe = computed(() => this.ink()?.recipe ?? []);
  protected readonly rests = computed(() => this.ink()?.rests ?? []);
  private readonly mixed = computed(() => {
    const kg = valueAt(this.editor.plan(), figureId.ink(this.ink()?.name ?? '', 'kg')) ?? 0;
    return mixInk(this.recipe(), kg, this.rests(), `inks[${this.at()}]`);
  });
  protected readonly mixing = computed(() => {
    const mixed = this.mixed();
    return mixed.ok ? mixed.value : undefined;
  });
  protected readonly problem = computed(() => {
    const mixed = this.mixed();
    return mixed.ok ? '' : mixed.issues.map(issueText).join(' ');
  });

  /** The first base takes all parts, the next what is missing to 100. */
  protected addPart(): void {
    const recipe = this.recipe();
    const sum = recipe.reduce((total, { parts }) => total + parts, 0);
    const part = { ink: $localize`Base ${recipe.length + 1}`, parts: Math.max(0, 100 - sum) };
    this.editor.set(['inks', this.at(), 'recipe'], [...recipe, part]);
  }
  protected addRest(): void {
    const rests = this.rests();
    this.editor.set(['inks', this.at(), 'rests'], [...rests, { name: $localize`Rest ${rests.length + 1}`, kg: 0 }]);
  }
  protected remove(list: 'recipe' | 'rests', at: number): void {
    const left = (list === 'recipe' ? this.recipe() : this.rests()).filter((_, i) => i !== at);
    this.editor.set(['inks', this.at(), list], left.length > 0 ? left : undefined);
  }
}
