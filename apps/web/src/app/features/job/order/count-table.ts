import { stepNames } from '@druckerei/core';
import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, signal } from '@angular/core';
import { MatIconModule } from '@angular/material/icon';
import { count, readNumber } from '../../../ui/format';
import { JobEditor } from '../state/job-editor';
import { RoomStore } from '../record/room.store';
import { forecastWords } from '../../../ui/forecast-words';
import { RoomLine } from '../record/room-line';
import { WordPipe } from '../../../ui/word';

/** Good pieces out of every station, as they come in, and what they will come to. */
@Component({
  selector: 'dk-count-table',
  imports: [MatIconModule, RoomLine, WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <details #details [open]="open()" (toggle)="open.set(details.open)">
      <summary>
        <mat-icon aria-hidden="true">checklist</mat-icon><ng-container i18n>Counts while it runs</ng-container>
      </summary>
      @if (open()) {
        <table data-test="counts">
          <thead>
            <tr>
              <th i18n scope="col">Station</th>
              <th i18n scope="col" class="number">Good wanted</th>
              <th i18n scope="col" class="number">Counted</th>
              <th i18n scope="col" class="number">Run more now</th>
              <th i18n scope="col">Count</th>
            </tr>
          </thead>
          <tbody>
            @for (row of rows(); track row.id) {
              <tr>
                <th scope="row">{{ row.name }}</th>
                <td class="number">{{ number(row.wanted) }}</td>
                <td class="number">{{ row.good === undefined ? '' : number(row.good) }}</td>
                <td class="number">{{ row.more === undefined ? '' : number(row.more) }}</td>
                <td class="entry">
                  @if (room.ownSteps().has(row.id)) {
                    <input
                      #good
                      inputmode="numeric"
                      [attr.aria-label]="'Good out of {0}' | word: row.name"
                      [attr.aria-invalid]="wrong() === row.id ? true : null"
                      (keydown.enter)="enter(row.id, good)"
                      (change)="enter(row.id, good)"
                    />
                  }
                </td>
              </tr>
            }
          </tbody>
        </table>
        @if (wrong()) {
          <p i18n role="alert" class="wrong">A whole number of good pieces is wanted, like 12,500.</p>
        }
        <dk-room-line at="step" />
        @if (forecast(); as text) {
          <p aria-live="polite">{{ text }}</p>
        }
      }
    </details>
  `,
  styleUrl: '../parts/bench.scss',
  styles: `
    .entry input {
      font: inherit;
      width: 110px;
      padding: 4px 8px;
      text-align: right;
      color: inherit;
      background: var(--mat-sys-surface-container-lowest);
      border: 1px solid var(--mat-sys-outline);
      border-radius: 4px;
    }
    .entry [aria-invalid] {
      border-color: var(--mat-sys-error);
    }
    td,
    th {
      padding-block: 3px;
    }
    .wrong {
      color: var(--mat-sys-error);
    }
  `,
})
export class CountTable {
  private readonly editor = inject(JobEditor);
  protected readonly room = inject(RoomStore);
  protected readonly number = count;
  /** Station whose count cannot be read. */
  protected readonly wrong = signal('');
  protected readonly counted = computed(() => this.room.state().counts);
  /** Open where something has been counted; hundreds of rows are not drawn for nobody to see. */
  protected readonly open = linkedSignal(() => this.counted().size > 0);
  protected readonly forecast = computed(() => forecastWords(this.room.forecast()));
  protected readonly rows = computed(() => {
    const forecast = this.room.forecast();
    const [plan, job] = [this.editor.plan(), this.editor.job()];
    if (!plan || !job) return [];
    const names = stepNames(plan, job.components);
    return plan.steps
      .filter(({ operation }) => operation !== 'dry')
      .map(({ id, needsOut }) => ({
        id,
        name: names.get(id) ?? id,
        wanted: needsOut,
        good: this.counted().get(id)?.good,
        more: forecast?.ok ? forecast.value.more[id] : undefined,
      }));
  });

  /** What is no whole number stays in the field with the reason; nothing typed means nothing entered. */
  protected enter(step: string, field: HTMLInputElement): void {
    if (field.value.trim() === '') return;
    const good = readNumber(field.value);
    const isCount = good !== undefined && Number.isInteger(good) && good >= 0;
    this.wrong.set(isCount ? '' : step);
    if (isCount && !this.room.busy()) this.room.enter({ kind: 'count', step, good }, () => (field.value = ''));
  }
}
