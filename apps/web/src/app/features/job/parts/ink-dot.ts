import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { inkOf, own } from '@druckerei/core';
import { JobEditor } from '../state/job-editor';

/** Process inks in their own colours. */
const PROCESS: Readonly<Record<string, string>> = { K: '#1a1a1a', C: '#00a0d2', M: '#d6006d', Y: '#ffe100' };

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
    const aim = job && works ? inkOf(job, works, this.name()).aim : undefined;
    return aim ? `lab(${aim.l}% ${aim.a} ${aim.b})` : (own(PROCESS, this.name()) ?? 'transparent');
  });
}
