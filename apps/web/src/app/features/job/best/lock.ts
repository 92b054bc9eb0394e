import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { MatTooltipModule } from '@angular/material/tooltip';
import type { LockedChoice } from '@druckerei/core';
import { JobEditor } from '../state/job-editor';
import { WordPipe } from '../../../ui/word';

/** Fixes a choice of a component, so that a search for a better way keeps it. */
@Component({
  selector: 'dk-lock',
  imports: [MatButtonModule, MatIconModule, MatTooltipModule, WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <button
      matIconButton
      type="button"
      [attr.aria-pressed]="locked()"
      [attr.aria-label]="'Lock the {0}' | word: name()"
      [matTooltip]="
        locked() ? ('Locked: a search for a better way keeps it' | word) : ('Open to a better way; lock it here' | word)
      "
      [disabled]="!editor.editable()"
      (click)="toggle()"
    >
      <mat-icon>{{ locked() ? 'lock' : 'lock_open' }}</mat-icon>
    </button>
  `,
  styles: `
    [aria-pressed='false'] {
      opacity: 0.65;
    }
  `,
})
export class Lock {
  protected readonly editor = inject(JobEditor);
  /** Index of the component. */
  readonly index = input.required<number>();
  readonly choice = input.required<LockedChoice>();
  readonly name = input.required<string>();
  private readonly all = computed(() => this.editor.job()?.components[this.index()]?.locked ?? []);
  protected readonly locked = computed(() => this.all().includes(this.choice()));

  protected toggle(): void {
    const others = this.all().filter((one) => one !== this.choice());
    const next = this.locked() ? others : [...others, this.choice()];
    this.editor.set(['components', this.index(), 'locked'], next.length === 0 ? undefined : next);
  }
}
