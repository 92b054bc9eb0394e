import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import { sayNumber } from '@druckerei/core';
import type { NormEffect } from '@druckerei/contract';
import { count } from './format';

type Come = NormEffect['changed'][number]['before'];

/** Open jobs that a change of the works would bring to other sheets or another cost. */
@Component({
  selector: 'dk-effect-table',
  imports: [RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (jobs().length > 0) {
      <table i18n-aria-label aria-label="Open jobs that come to something else">
        <thead>
          <tr>
            <th i18n scope="col">Job</th>
            <th i18n scope="col" class="number">Press sheets</th>
            <th i18n scope="col" class="number">Cost, {{ currency() }}</th>
          </tr>
        </thead>
        <tbody>
          @for (job of jobs(); track job.job) {
            <tr>
              <th scope="row">
                <a [routerLink]="['/jobs', job.job]">{{ job.number }}</a> {{ job.title }}
              </th>
              <td class="number">{{ sheets(job.before) }} → {{ sheets(job.after) }}</td>
              <td class="number">{{ cost(job.before) }} → {{ cost(job.after) }}</td>
            </tr>
          }
        </tbody>
      </table>
    } @else if (!looking()) {
      <p i18n>No draft in hand comes to other sheets or another cost.</p>
    }
  `,
  styles: `
    :host {
      display: block;
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
  `,
})
export class EffectTable {
  readonly jobs = input.required<NormEffect['changed']>();
  readonly currency = input.required<string>();
  /** More may come. */
  readonly looking = input(false);
  protected readonly sheets = (come: Come): string => (come ? count(come.pressSheets) : $localize`cannot be planned`);
  protected readonly cost = (come: Come): string => (come ? sayNumber(come.cost, this.currency()) : '');
}
