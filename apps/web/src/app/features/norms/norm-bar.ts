import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatIconModule } from '@angular/material/icon';
import { MatInputModule } from '@angular/material/input';
import { RouterLink } from '@angular/router';
import { sayNumber } from '@druckerei/core';
import type { NormEffect } from '@druckerei/contract';
import { UndoBar } from '../../platform/undo-bar';
import { count } from '../../ui/format';
import { Standing } from '../../ui/standing';
import { NormEdits } from './norm-edits';
import { NormsStore } from './norms.store';

type Come = NormEffect['changed'][number]['before'];

/** What is typed and not set: why, what it does to the open jobs, and setting or leaving it. */
@Component({
  selector: 'dk-norm-bar',
  imports: [MatButtonModule, MatFormFieldModule, MatIconModule, MatInputModule, RouterLink, Standing, UndoBar],
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
    .effect {
      max-height: 200px;
      overflow-y: auto;
    }
    table {
      border-collapse: collapse;
    }
    th,
    td {
      text-align: left;
      font-weight: 400;
      padding: 2px 20px 2px 0;
    }
    a {
      color: var(--mat-sys-primary);
    }
    .number {
      text-align: right;
    }
    [role='alert'] {
      margin: 4px 0;
      color: var(--mat-sys-error);
    }
  `,
  host: { role: 'group', 'aria-label': 'Norms that are typed' },
})
export class NormBar {
  protected readonly edits = inject(NormEdits);
  private readonly norms = inject(NormsStore);
  protected readonly currency = computed(() => this.norms.works()?.currency ?? '');
  protected readonly sheets = (come: Come): string => (come ? count(come.pressSheets) : 'cannot be planned');
  protected readonly cost = (come: Come): string => (come ? sayNumber(come.cost, this.currency()) : '');
}
