import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { inkOf } from '@druckerei/core';
import { inkColour } from '../../../ui/ink-colour';
import { JobEditor } from '../state/job-editor';

/** The colour of an ink as a screen can show it: a process ink, or the aim of a mixed one; empty where none is known. */
@Component({
  selector: 'dk-ink-dot',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: '',
  host: { 'aria-hidden': 'true', '[style.background]': 'colour()' },
  styles: `
    :host {
      flex: none;
      display: inline-block;
      width: 12px;
      height: 12px;
      border-radius: 50%;
      border: 1px solid var(--mat-sys-outline);
    }
  `,
})
export class InkDot {
  private readonly editor = inject(JobEditor);
  readonly name = input.required<string>();
  protected readonly colour = computed(() => {
    const [job, works] = [this.editor.job(), this.editor.works()];
    return inkColour(this.name(), job && works ? inkOf(job, works, this.name()).aim : undefined);
  });
}
