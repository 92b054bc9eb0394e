import { ChangeDetectionStrategy, Component, DestroyRef, computed, inject, input, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import type { JobRow } from '@druckerei/contract';
import { JobsStore } from './jobs.store';
import { SeveralStore } from './several.store';
import { WordPipe } from '../../ui/word';

/** What can be done to all jobs that are ticked, how far it is, and what became of each. */
@Component({
  selector: 'dk-jobs-several',
  imports: [MatButtonModule, MatIconModule, MatProgressBarModule, WordPipe],
  providers: [SeveralStore],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="row">
      <b>{{ rows().length === 1 ? ('1 job' | word) : rows().length + (' jobs' | word) }}</b>
      @if (several.doing(); as doing) {
        <span i18n>{{ doing }}, {{ several.done().length }} of {{ several.of() }}</span>
        <button i18n matButton (click)="several.stop()">Stop</button>
      } @else {
        @if (mayEdit()) {
          <button matButton (click)="release()">
            <mat-icon>task_alt</mat-icon><ng-container i18n>Release</ng-container>
          </button>
        }
        @if (rows().length <= most) {
          <a matButton [href]="tickets()" target="_blank"
            ><mat-icon>print</mat-icon><ng-container i18n>Print tickets</ng-container></a
          >
        } @else {
          <span i18n class="quiet">Tickets are printed for {{ most }} jobs at once.</span>
        }
        @if (mayEdit()) {
          <button matButton (click)="copy()">
            <mat-icon>content_copy</mat-icon><ng-container i18n>Copy</ng-container>
          </button>
        }
        <button i18n matButton (click)="cleared.emit()">Tick none</button>
      }
    </div>
    @if (several.doing()) {
      <mat-progress-bar [value]="(100 * several.done().length) / several.of()" [attr.aria-label]="several.doing()" />
    }
    @if (several.done().length > 0) {
      <ul i18n-aria-label aria-label="What became of them">
        @for (one of several.done(); track one.row.id) {
          <li>
            <mat-icon aria-hidden="true">{{ one.ok ? 'check' : 'error_outline' }}</mat-icon><b>{{ one.row.number }}</b
            >&nbsp;{{ one.text }}
          </li>
        }
      </ul>
      @if (!several.doing()) {
        <button i18n matButton (click)="several.clear()">Put this list away</button>
      }
    }
  `,
  styles: `
    :host {
      display: block;
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
      gap: 4px 12px;
      min-height: 40px;
    }
    ul {
      list-style: none;
      margin: 6px 0;
      padding: 0;
      max-height: 180px;
      overflow-y: auto;
    }
    li {
      display: flex;
      gap: 6px;
      padding: 2px 0;
    }
    li mat-icon {
      flex: none;
      font-size: 18px;
      width: 18px;
      height: 18px;
    }
  `,
  host: { role: 'group', '[attr.aria-label]': 'label' },
})
export class JobsSeveral {
  protected readonly label = $localize`Jobs that are ticked`;
  protected readonly several = inject(SeveralStore);
  private readonly jobs = inject(JobsStore);
  readonly rows = input.required<readonly JobRow[]>();
  readonly mayEdit = input.required<boolean>();
  readonly cleared = output();
  /** Jobs whose tickets come in one file. */
  protected readonly most = 50;
  protected readonly tickets = computed(
    () =>
      `/api/tickets?jobs=${this.rows()
        .map(({ id }) => id)
        .join(',')}`,
  );

  constructor() {
    inject(DestroyRef).onDestroy(() => this.several.stop());
  }

  protected release(): void {
    this.several.release(this.rows(), () => this.jobs.load());
  }
  protected copy(): void {
    this.several.copy(this.rows(), () => this.jobs.load());
  }
}
