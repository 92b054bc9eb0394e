import { ChangeDetectionStrategy, Component, input } from '@angular/core';

/** What somebody else has made of something meanwhile, beside what is typed here. */
export interface StandingRow {
  readonly what: string;
  readonly now: string;
  readonly yours: string;
}

/** Two values in hand: what stands on the server now, and what was typed here. Nothing is written until somebody chooses. */
@Component({
  selector: 'dk-standing',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section role="alert" i18n-aria-label aria-label="Changed meanwhile">
      <p>{{ why() }}</p>
      @if (rows().length > 0) {
        <table>
          <thead>
            <tr>
              <th scope="col"></th>
              <th i18n scope="col">Stands now</th>
              <th i18n scope="col">Yours</th>
            </tr>
          </thead>
          <tbody>
            @for (row of rows(); track row.what) {
              <tr>
                <th scope="row">{{ row.what }}</th>
                <td>{{ row.now }}</td>
                <td>{{ row.yours }}</td>
              </tr>
            }
          </tbody>
        </table>
      }
      <p i18n class="quiet">
        Yours is kept here. Send it once more to put it in the place of what stands, or leave it.
      </p>
    </section>
  `,
  styles: `
    section {
      margin: 8px 0;
      padding: 4px 14px;
      border: 2px solid var(--dk-warn);
      border-radius: 6px;
    }
    table {
      border-collapse: collapse;
    }
    th,
    td {
      text-align: left;
      padding: 2px 20px 2px 0;
      font-weight: 400;
      overflow-wrap: anywhere;
    }
    thead th {
      font-weight: 650;
    }
  `,
})
export class Standing {
  readonly why = input.required<string>();
  readonly rows = input.required<readonly StandingRow[]>();
}
