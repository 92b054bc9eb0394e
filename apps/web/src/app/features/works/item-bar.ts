import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import type { Machine, Stock } from '@druckerei/core';
import { EffectTable } from '../../ui/effect-table';
import { Standing } from '../../ui/standing';
import type { ItemEdit } from './item-edit';
import { WorksStore } from './works.store';

/** What is typed of a machine or a paper and not entered: what it does to open jobs, and entering or leaving it. */
@Component({
  selector: 'dk-item-bar',
  imports: [EffectTable, MatButtonModule, Standing],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (mayEdit() && edit().isChanged()) {
      <b>Typed and not entered</b>
      @if (edit().effect.look()) {
        <span aria-live="polite">{{ edit().effect.progress() }}</span>
        <button matButton (click)="edit().effect.stop()">Stop</button>
      }
      <button matButton="filled" (click)="edit().enter()" [disabled]="edit().effect.look() !== undefined">
        {{ edit().effect.jobs()?.length ? 'Enter it nevertheless' : 'Enter it' }}
      </button>
      <button matButton (click)="edit().leave()">Leave it as it was</button>
    } @else if (edit().said()) {
      <span role="status">{{ edit().said() }}</span>
    } @else {
      <span class="quiet">{{
        mayEdit() ? 'What you change is entered when you say so.' : 'A production manager changes this.'
      }}</span>
    }
    @if (edit().sending.failed() || edit().effect.failed(); as message) {
      <p role="alert">{{ message }}</p>
    }
    @if (edit().sending.changed(); as why) {
      <dk-standing [why]="why" [rows]="edit().differing()" />
    }
    @if (edit().effect.jobs(); as jobs) {
      @if (jobs.length > 0 || !edit().effect.look()) {
        <dk-effect-table [jobs]="jobs" [currency]="works.currency()" [looking]="edit().effect.look() !== undefined" />
      }
    }
  `,
  styles: `
    :host {
      position: sticky;
      top: 0;
      z-index: 2;
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 4px 12px;
      min-height: 40px;
      margin: 8px 0 12px;
      padding: 4px 12px;
      border: 1px solid var(--mat-sys-outline-variant);
      border-radius: 6px;
      background: var(--mat-sys-surface-container);
    }
    p,
    dk-standing,
    dk-effect-table {
      flex-basis: 100%;
      margin: 2px 0;
    }
    [role='alert'] {
      color: var(--mat-sys-error);
    }
  `,
  host: { role: 'group', 'aria-label': 'What is typed' },
})
export class ItemBar {
  protected readonly works = inject(WorksStore);
  readonly edit = input.required<ItemEdit<Machine> | ItemEdit<Stock>>();
  readonly mayEdit = input.required<boolean>();
}
