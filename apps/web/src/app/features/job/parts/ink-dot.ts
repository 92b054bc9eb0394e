import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { inkOf } from '@druckerei/core';
import { InkSpot } from '../../../ui/ink-spot';
import { JobEditor } from '../state/job-editor';

/** The colour of an ink of the job as a screen can show it: a process ink, or the aim of a mixed one. */
@Component({
  selector: 'dk-ink-dot',
  imports: [InkSpot],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: '<dk-ink-spot [name]="name()" [aim]="aim()" />',
  styles: `
    :host {
      flex: none;
      display: inline-flex;
    }
  `,
})
export class InkDot {
  private readonly editor = inject(JobEditor);
  readonly name = input.required<string>();
  protected readonly aim = computed(() => {
    const [job, works] = [this.editor.job(), this.editor.works()];
    return job && works ? inkOf(job, works, this.name()).aim : undefined;
  });
}
