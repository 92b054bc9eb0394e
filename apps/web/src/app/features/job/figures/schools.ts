import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { type Plan, type School, RULE_SCHOOLS, figureOf, figureId } from '@druckerei/core';
import { FigureButton } from '../../../ui/figure-button';
import { SchoolSteps } from './school-steps';

const NAMES: Readonly<Record<School, string>> = {
  step: $localize`Step by step`,
  added: $localize`Added up`,
  table: $localize`Table`,
  sure: $localize`Sureness`,
};

/** What goes into the press of every component by all schools, side by side. */
@Component({
  selector: 'dk-schools',
  imports: [FigureButton, SchoolSteps],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 i18n>Schools of reckoning</h2>
    <p i18n class="quiet">What goes into the press by each. The job is planned by the one marked.</p>
    <table>
      <thead>
        <tr>
          <th i18n scope="col">Component</th>
          @for (school of schools(); track school) {
            <th scope="col" class="number" [class.own]="school === plan().school">
              {{ names[school] }}{{ school === plan().school ? ' *' : '' }}
            </th>
          }
        </tr>
      </thead>
      <tbody>
        @for (row of rows(); track row.id) {
          <tr>
            <th scope="row">{{ row.name }}</th>
            @for (cell of row.cells; track cell.school) {
              <td
                class="number"
                [class.own]="cell.school === plan().school"
                [attr.data-school]="cell.school"
                [attr.data-component]="row.id"
              >
                <dk-figure bare [figure]="cell.figure" (opened)="figureOpened.emit($event)" />
              </td>
            }
          </tr>
        }
      </tbody>
    </table>
    <p i18n class="quiet">
      Step by step compounds every station's spoilage and rounds at each. Added up sums all rates on the net. The table
      reads the house's per cents by run length and colours.
    </p>
    <dk-school-steps [plan]="plan()" [components]="components()" (figureOpened)="figureOpened.emit($event)" />
  `,
  styles: `
    table {
      width: 100%;
      border-collapse: collapse;
      margin: 10px 0;
    }
    th,
    td {
      padding: 6px 8px 6px 0;
      text-align: left;
      font-weight: 400;
      border-bottom: 1px solid var(--mat-sys-outline-variant);
    }
    .number {
      text-align: right;
    }
    .own {
      font-weight: 650;
    }
  `,
})
export class Schools {
  readonly plan = input.required<Plan>();
  readonly components = input.required<readonly { id: string; name: string }[]>();
  readonly figureOpened = output<string>();
  /** Those that count by rule, and sureness where the job is planned by it: below it stands beside them. */
  protected readonly schools = computed((): readonly School[] =>
    this.plan().school === 'sure' ? [...RULE_SCHOOLS, 'sure'] : RULE_SCHOOLS,
  );
  protected readonly names = NAMES;
  protected readonly rows = computed(() => {
    const plan = this.plan();
    return this.components().map(({ id, name }) => {
      const first = plan.steps.find(({ component, operation }) => component === id && operation === 'print');
      return {
        id,
        name,
        cells: this.schools().map((school) => ({
          school,
          figure: figureOf(plan, figureId.step(first?.id ?? '', `units.${school}`)),
        })),
      };
    });
  });
}
