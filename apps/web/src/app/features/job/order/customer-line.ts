import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { customerBook } from '../../../platform/customer-book';
import { JobEditor } from '../state/job-editor';

/** What the works knows of the customer whom the job names: what their artwork keeps to, and where more of them stands. */
@Component({
  selector: 'dk-customer-line',
  imports: [RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (customer(); as known) {
      <p data-test="customer">
        <a [routerLink]="['/customers', known.id]">{{ known.name }}</a>
        @if (known.artwork) {
          <span i18n>Artwork: {{ known.artwork }}</span>
        }
      </p>
    }
  `,
  styles: `
    p {
      margin: 8px 0 0;
    }
    a {
      color: var(--mat-sys-primary);
      margin-right: 12px;
    }
  `,
})
export class CustomerLine {
  private readonly editor = inject(JobEditor);
  private readonly name = computed(() => this.editor.job()?.customer.trim() ?? '');
  private readonly book = customerBook(this.name);
  protected readonly customer = computed(() => this.book().find(({ name }) => name === this.name()));
}
