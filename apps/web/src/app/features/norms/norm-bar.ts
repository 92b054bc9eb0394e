import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatIconModule } from '@angular/material/icon';
import { MatInputModule } from '@angular/material/input';
import { UndoBar } from '../../platform/undo-bar';
import { EffectTable } from '../../ui/effect-table';
import { Standing } from '../../ui/standing';
import { NormEdits } from './norm-edits';
import { NormsStore } from './norms.store';
import { WordPipe } from '../../ui/word';

/** What is typed and not set: why, what it does to the open jobs, and setting or leaving it. */
@Component({
  selector: 'dk-norm-bar',
  imports: [
    EffectTable,
    MatButtonModule,
    MatFormFieldModule,
    MatIconModule,
    MatInputModule,
    Standing,
    UndoBar,
    WordPipe,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './norm-bar.html',
  styles: `
    :host {
      display: block;
      position: sticky;
      top: 0;
      z-index: 2;
      padding: 6px 12px;
      margin-bottom: 12px;
      border: 1px solid var(--mat-sys-outline-variant);
      border-radius: 6px;
      background: var(--mat-sys-surface-container);
    }
    .row {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 6px 12px;
      min-height: 40px;
    }
    mat-form-field {
      width: 220px;
    }
    [role='alert'] {
      margin: 4px 0;
      color: var(--mat-sys-error);
    }
  `,
  host: { role: 'group', '[attr.aria-label]': 'label' },
})
export class NormBar {
  protected readonly label = $localize`Norms that are typed`;
  protected readonly edits = inject(NormEdits);
  private readonly norms = inject(NormsStore);
  protected readonly currency = computed(() => this.norms.works()?.currency ?? '');
}
