import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { JobEditor } from '../state/job-editor';
import { Field } from '../parts/field';
import { WordPipe } from '../../../ui/word';

/** Inks of a pass on another press: each has a carrier of its own. */
@Component({
  selector: 'dk-pass-inks',
  imports: [Field, MatButtonModule, MatIconModule, WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="fields four">
      @for (ink of inks(); track $index; let i = $index) {
        <dk-field class="wide" i18n-label label="Ink" [path]="['route', index(), 'inks', i, 'name']" kind="text" />
        <dk-field
          i18n-label
          label="Coverage"
          [path]="['route', index(), 'inks', i, 'coverage']"
          unit="share"
          [optional]="true"
          i18n-norm
          norm="as the house"
        />
        @if (editor.editable()) {
          <button matIconButton [attr.aria-label]="'Take out {0}' | word: ink.name" (click)="takeOut(i)">
            <mat-icon>close</mat-icon>
          </button>
        }
      }
    </div>
    @if (inks().length > 0) {
      <p i18n class="quiet">
        Aim, recipe and trial stand with the inks of the first press, its carriers among its carriers.
      </p>
    }
    @if (editor.editable()) {
      <button matButton (click)="add()">
        <mat-icon>add</mat-icon><ng-container i18n>Ink of this pass</ng-container>
      </button>
    }
  `,
  styleUrl: '../parts/bench.scss',
})
export class PassInks {
  protected readonly editor = inject(JobEditor);
  readonly index = input.required<number>();
  protected readonly inks = computed(() => this.editor.job()?.route[this.index()]?.inks ?? []);

  protected add(): void {
    this.editor.set(
      ['route', this.index(), 'inks'],
      [...this.inks(), { name: $localize`Ink ${this.inks().length + 1}` }],
    );
  }
  protected takeOut(at: number): void {
    const left = this.inks().filter((_, i) => i !== at);
    this.editor.set(['route', this.index(), 'inks'], left.length > 0 ? left : undefined);
  }
}
