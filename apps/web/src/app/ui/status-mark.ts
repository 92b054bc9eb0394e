import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { MatIconModule } from '@angular/material/icon';
import type { JobStatus } from '@druckerei/contract';

const MARKS: Readonly<Record<JobStatus, { icon: string; text: string }>> = {
  draft: { icon: 'edit_note', text: $localize`Draft` },
  released: { icon: 'task_alt', text: $localize`Released` },
  aside: { icon: 'inventory_2', text: $localize`Put aside` },
  changed: { icon: 'difference', text: $localize`Released, changed since` },
};

/** A job's status by word and shape. */
@Component({
  selector: 'dk-status-mark',
  imports: [MatIconModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<mat-icon aria-hidden="true">{{ mark().icon }}</mat-icon
    >{{ mark().text }}<span i18n class="quiet">rev. {{ revision() }}</span>`,
  styles: `
    :host {
      display: inline-flex;
      align-items: center;
      gap: 6px;
      vertical-align: middle;
    }
    mat-icon {
      font-size: 18px;
      width: 18px;
      height: 18px;
    }
  `,
})
export class StatusMark {
  readonly status = input.required<JobStatus>();
  readonly revision = input.required<number>();
  protected readonly mark = computed(() => MARKS[this.status()]);
}
