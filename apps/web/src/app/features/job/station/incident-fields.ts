import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { type Incident, type IncidentPlace, USUAL_INCIDENTS, incidentsOf, normsOf } from '@druckerei/core';
import { count, unitText } from '../../../ui/format';
import { NumberBox } from '../../../ui/number-box';
import { JobEditor } from '../state/job-editor';
import { Field } from '../parts/field';
import { WordPipe } from '../../../ui/word';

/** What now and then costs process units at a station: how often, and how many. */
@Component({
  selector: 'dk-incident-fields',
  imports: [Field, MatButtonModule, MatIconModule, NumberBox, WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (incident of incidents(); track $index; let i = $index) {
      <div class="row">
        <dk-field i18n-label label="What happens" [path]="['route', index(), 'incidents', i, 'name']" kind="text" />
        <dk-number i18n-label label="Once in" [value]="once(incident)" (valueChange)="setOnce(i, $event)" />
        <dk-field i18n-label label="Loses" [path]="['route', index(), 'incidents', i, 'loss']" [unit]="unit()" />
        @if (editor.editable()) {
          <button matIconButton [attr.aria-label]="'Take out {0}' | word: incident.name" (click)="remove(i)">
            <mat-icon>close</mat-icon>
          </button>
        }
      </div>
    } @empty {
      @for (incident of usual(); track incident.name) {
        <p i18n class="quiet">
          {{ incident.name }}, once in {{ count(once(incident)) }}, loses {{ count(incident.loss) }}
          {{ unitText(unit(), incident.loss) }}
        </p>
      }
    }
    @if (editor.editable()) {
      <p class="add">
        @if (usual().length > 0) {
          <button matButton (click)="put(usual())">
            <mat-icon>edit</mat-icon><ng-container i18n>Change for this job</ng-container>
          </button>
          <button matButton (click)="put([])">
            <mat-icon>close</mat-icon><ng-container i18n>Plan without</ng-container>
          </button>
        }
        @for (usual of offered(); track usual.name) {
          <button matButton (click)="add(usual)"><mat-icon>add</mat-icon>{{ usual.name }}</button>
        }
      </p>
    }
  `,
  styles: `
    .row {
      display: grid;
      grid-template-columns: 1.4fr 1fr 1fr 48px;
      gap: 12px;
      margin-bottom: 10px;
    }
    .add {
      margin: 0 0 8px;
    }
  `,
})
export class IncidentFields {
  protected readonly editor = inject(JobEditor);
  protected readonly count = count;
  protected readonly unitText = unitText;
  readonly index = input.required<number>();
  readonly unit = input('');
  readonly place = input<IncidentPlace>('anywhere');
  private readonly step = computed(() => this.editor.job()?.route[this.index()]);
  protected readonly incidents = computed(() => this.step()?.incidents ?? []);
  /** What the norms of the works plan with; none once the job tells its own. */
  protected readonly usual = computed(() => {
    const [step, job, works, plan] = [this.step(), this.editor.job(), this.editor.works(), this.editor.plan()];
    if (!step || !job || !works || !plan || step.incidents) return [];
    return incidentsOf(normsOf(works, job.norms), step, plan.layouts[step.component ?? '']);
  });
  protected readonly offered = computed(() =>
    USUAL_INCIDENTS.flatMap(({ at, incident }) =>
      (at === 'anywhere' || at === this.place()) &&
      ![...this.usual(), ...this.incidents()].some(({ name }) => name === incident.name)
        ? [incident]
        : [],
    ),
  );
  protected readonly once = ({ rate }: Incident): number => (rate > 0 ? Math.round(1 / rate) : 0);

  /** An empty list is kept: the job is planned without what the norms have. */
  protected put(incidents: readonly Incident[]): void {
    this.editor.set(['route', this.index(), 'incidents'], incidents);
  }
  protected setOnce(at: number, once: number): void {
    if (once >= 1) this.put(this.incidents().map((one, i) => (i === at ? { ...one, rate: 1 / once } : one)));
  }
  protected add(incident: Incident): void {
    this.put([...this.usual(), ...this.incidents(), incident]);
  }
  protected remove(at: number): void {
    this.put(this.incidents().filter((_, i) => i !== at));
  }
}
