import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { type Plan, type RuleSchool, RULE_SCHOOLS, figureOf, figureId, stepNames } from '@druckerei/core';
import { count } from '../../../ui/format';
import { FigureButton } from '../../../ui/figure-button';

/** How the schools come apart, step by step from the end of the job: each against step by step, and what it adds there. */
@Component({
  selector: 'dk-school-steps',
  imports: [FigureButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <details>
      <summary i18n>Step by step, where they differ</summary>
      <table>
        <thead>
          <tr>
            <th i18n scope="col">Into</th>
            <th i18n scope="col" class="number">Net</th>
            @for (name of names; track name) {
              <th scope="col" class="number">{{ name }}</th>
            }
          </tr>
        </thead>
        <tbody>
          @for (row of rows(); track row.id) {
            <tr>
              <th scope="row">{{ row.name }}</th>
              <td class="number">{{ count(row.net) }}</td>
              @for (cell of row.cells; track cell.school) {
                <td class="number">
                  <dk-figure bare [figure]="cell.figure" (opened)="figureOpened.emit($event)" />
                  @if (cell.difference !== 0) {
                    <span class="quiet">{{ cell.difference > 0 ? '+' : '−' }}{{ count(abs(cell.difference)) }}</span>
                  }
                </td>
              }
            </tr>
          }
        </tbody>
      </table>
      <p i18n class="quiet">
        Under each figure the difference to step by step. Added up falls behind from step to step, because later
        spoilage is not itself spoiled again and nothing is rounded up on the way. The table knows the run length and
        the colours, not the stations.
      </p>
    </details>
  `,
  styles: `
    table {
      width: 100%;
      border-collapse: collapse;
      margin: 6px 0;
    }
    th,
    td {
      padding: 4px 6px 4px 0;
      text-align: left;
      font-weight: 400;
      vertical-align: top;
      border-bottom: 1px solid var(--mat-sys-outline-variant);
    }
    .number {
      text-align: right;
    }
    td .quiet {
      display: block;
      font-size: 11.5px;
    }
    summary {
      cursor: pointer;
      min-height: 28px;
    }
  `,
})
export class SchoolSteps {
  readonly plan = input.required<Plan>();
  readonly components = input.required<readonly { id: string; name: string }[]>();
  readonly figureOpened = output<string>();
  protected readonly names = [$localize`Steps`, $localize`Added`, $localize`Table`];
  protected readonly count = count;
  protected readonly abs = Math.abs;
  protected readonly rows = computed(() => {
    const plan = this.plan();
    const names = stepNames(plan, this.components());
    return [...plan.steps].reverse().map(({ id, net }) => {
      const figure = (school: RuleSchool) => figureOf(plan, figureId.step(id, `units.${school}`));
      const base = figure('step')?.value ?? 0;
      return {
        id,
        name: names.get(id) ?? id,
        net: Math.ceil(net),
        cells: RULE_SCHOOLS.map((school) => ({
          school,
          figure: figure(school),
          difference: (figure(school)?.value ?? base) - base,
        })),
      };
    });
  });
}
