import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import type { Finding, Mend } from '@druckerei/core';
import { findingText, mendText } from '@druckerei/contract';

/** Findings shown before the rest is asked for. */
const FIRST = 3;

/** Findings as they are shown: those of hard rules first. */
export const hardFirst = (findings: readonly Finding[]): Finding[] =>
  [...findings].sort((a, b) => Number(b.weight === 'hard') - Number(a.weight === 'hard'));

/** What the route breaks: the hard rules first, each with its reason and, as one action, what mends it. */
@Component({
  selector: 'dk-findings',
  imports: [MatButtonModule, MatIconModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ul i18n-aria-label aria-label="What the route breaks" role="list">
      @for (one of shown(); track one.rule + one.step + (one.artwork?.file ?? '') + (one.artwork?.ink ?? '')) {
        <li [class.hard]="one.weight === 'hard'" [attr.data-rule]="one.rule">
          <mat-icon aria-hidden="true">{{ one.weight === 'hard' ? 'report' : 'warning_amber' }}</mat-icon>
          <p>
            <button class="where" (click)="chose.emit(one.step)">{{ names().get(one.step) ?? one.step }}</button>
            {{ text(one) }}
          </p>
          @if (one.mend && editable()) {
            <button matButton (click)="mended.emit(one.mend)">
              {{ mendWords(one.mend) }}
              @if (one === firstMend()) {
                <kbd aria-hidden="true">M</kbd>
              }
            </button>
          }
        </li>
      }
    </ul>
    @if (findings().length > shown().length) {
      <button i18n matButton (click)="all.emit()">Show all {{ findings().length }}</button>
    }
  `,
  styleUrl: './findings.scss',
})
export class Findings {
  readonly findings = input.required<readonly Finding[]>();
  /** Names of stations and machines by their ids. */
  readonly names = input.required<ReadonlyMap<string, string>>();
  readonly editable = input(false);
  readonly open = input(false);
  readonly mended = output<Mend>();
  readonly chose = output<string>();
  readonly all = output();
  protected readonly text = findingText;
  protected readonly shown = computed(() => {
    const sorted = hardFirst(this.findings());
    return this.open() || sorted.length <= FIRST + 1 ? sorted : sorted.slice(0, FIRST);
  });

  /** The one that is taken by its key. */
  protected readonly firstMend = computed(() => this.shown().find(({ mend }) => mend !== undefined));

  protected mendWords(mend: Mend): string {
    return mendText(mend, (id) => this.names().get(id) ?? id);
  }
}
