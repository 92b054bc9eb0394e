import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatDialogModule } from '@angular/material/dialog';
import { EXERCISES } from '@druckerei/core';
import { type ClassLine, practiceName } from '@druckerei/contract';
import { failureOf } from '../../../platform/problem';
import { count, dateText, percent } from '../../../ui/format';
import { PracticeApi } from '../state/practice.api';

/** What everybody has reached in the exercises, for whoever oversees them. */
@Component({
  selector: 'dk-class-dialog',
  imports: [MatButtonModule, MatDialogModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 i18n mat-dialog-title>The class</h2>
    <mat-dialog-content>
      @if (failed(); as message) {
        <p role="alert">{{ message }}</p>
      } @else if (people(); as all) {
        @if (all.length > 0) {
          <table>
            <thead>
              <tr>
                <th i18n scope="col">Name</th>
                <th i18n scope="col">Without a mistake</th>
                <th i18n scope="col">Exercise</th>
                <th i18n scope="col" class="number">Best</th>
                <th i18n scope="col" class="number">Times</th>
                <th i18n scope="col">Last</th>
              </tr>
            </thead>
            @for (person of all; track person.id) {
              <tbody>
                @for (line of person.lines; track line.kind; let first = $first) {
                  <tr>
                    <th scope="row">
                      <span [class.cdk-visually-hidden]="!first">{{ person.name }}</span>
                    </th>
                    <td>
                      <span i18n [class.cdk-visually-hidden]="!first">{{ person.solved }} of {{ kinds }}</span>
                    </td>
                    <td>{{ name(line.kind) }}</td>
                    <td class="number">{{ percent(line.best) }}</td>
                    <td class="number">{{ count(line.times) }}</td>
                    <td>{{ day(line.last) }}</td>
                  </tr>
                }
              </tbody>
            }
          </table>
        } @else {
          <p i18n>Nobody has filled an exercise yet. Send somebody the address of one: who opens it gets the same.</p>
        }
      } @else {
        <p i18n role="status">Looking for the results.</p>
      }
    </mat-dialog-content>
    <mat-dialog-actions align="end"><button i18n matButton="filled" mat-dialog-close>Close</button></mat-dialog-actions>
  `,
  styles: `
    table {
      width: 100%;
      border-collapse: collapse;
    }
    th,
    td {
      text-align: left;
      vertical-align: top;
      padding: 4px 16px 4px 0;
    }
    tbody {
      border-top: 1px solid var(--mat-sys-outline-variant);
    }
    .number {
      text-align: right;
    }
    [role='alert'] {
      color: var(--mat-sys-error);
    }
  `,
})
export class ClassDialog {
  protected readonly count = count;
  protected readonly percent = percent;
  protected readonly day = dateText;
  /** Every kind of exercise, and the shift at the press. */
  protected readonly kinds = EXERCISES.length + 1;
  private readonly lines = signal<readonly ClassLine[] | undefined>(undefined);
  protected readonly failed = signal('');
  /** Lines of one person behind one another, as they come. */
  protected readonly people = computed(() => {
    const lines = this.lines();
    if (!lines) return undefined;
    const people: { id: number; name: string; lines: ClassLine[]; solved: number }[] = [];
    for (const line of lines) {
      const last = people.at(-1);
      const { person: id, name } = line;
      const person = last?.id === id ? last : { id, name, lines: [], solved: 0 };
      if (person !== last) people.push(person);
      person.lines.push(line);
      if (line.best === 1) person.solved++;
    }
    return people;
  });
  protected readonly name = practiceName;

  constructor() {
    inject(PracticeApi)
      .class()
      .subscribe({
        next: (lines) => this.lines.set(lines),
        error: (error: unknown) => this.failed.set(failureOf(error).text),
      });
  }
}
