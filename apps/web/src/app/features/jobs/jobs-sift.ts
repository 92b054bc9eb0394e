import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatIconModule } from '@angular/material/icon';
import { MatInputModule } from '@angular/material/input';
import { MatMenuModule } from '@angular/material/menu';
import { MatSelectModule } from '@angular/material/select';
import { EMPTY, catchError } from 'rxjs';
import { Api } from '../../platform/api';
import { DateBox } from '../../ui/date-box';
import { JobsStore } from './jobs.store';

const STATUSES = [
  { id: 'draft', name: $localize`Draft` },
  { id: 'released', name: $localize`Released` },
  { id: 'changed', name: $localize`Released, changed since` },
  { id: 'aside', name: $localize`Put aside` },
] as const;

/** Columns that may be put away; number and title stay. */
const CHOOSABLE = [
  { id: 'customer', name: $localize`Customer` },
  { id: 'quantity', name: $localize`Quantity` },
  { id: 'due', name: $localize`Due` },
  { id: 'status', name: $localize`Status` },
  { id: 'changedAt', name: $localize`Last change` },
] as const;

/** Sifts the list of jobs and chooses its columns; fetched once the list stands. */
@Component({
  selector: 'dk-jobs-sift',
  imports: [
    DateBox,
    MatButtonModule,
    MatFormFieldModule,
    MatIconModule,
    MatInputModule,
    MatMenuModule,
    MatSelectModule,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './jobs-sift.html',
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 8px 12px;
      min-height: 40px;
      margin-bottom: 12px;
    }
    mat-form-field,
    dk-date {
      width: 190px;
    }
    .gap {
      flex: 1;
    }
  `,
  host: { role: 'group', '[attr.aria-label]': 'label' },
})
export class JobsSift {
  protected readonly label = $localize`Sift the jobs`;
  protected readonly jobs = inject(JobsStore);
  /** Columns on show. */
  readonly shown = input.required<readonly string[]>();
  readonly toggled = output<string>();
  protected readonly statuses = STATUSES;
  protected readonly choosable = CHOOSABLE;
  private readonly works = toSignal(
    inject(Api)
      .works()
      .pipe(catchError(() => EMPTY)),
  );
  /** Presses that jobs may be on. */
  protected readonly presses = computed(() => (this.works()?.machines ?? []).filter(({ press }) => press));
}
