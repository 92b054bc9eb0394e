import { Injectable, computed, effect, inject, signal, untracked } from '@angular/core';
import { type Job, diffJobs } from '@druckerei/core';
import { type LiveMessage, changeInWords } from '@druckerei/contract';
import { EMPTY, catchError } from 'rxjs';
import { Api } from '../../../platform/api';
import { changerOf, whenChanged } from '../../../platform/live';
import { JobEditor } from './job-editor';
import { OtherTabs } from './other-tabs';

/** What others have made of the open job, or of the works that it is planned with, since it was opened. */
@Injectable()
export class ChangedElsewhere {
  private readonly api = inject(Api);
  private readonly editor = inject(JobEditor);
  private readonly tabs = inject(OtherTabs);
  private readonly id = computed(() => this.editor.revision()?.id);
  private readonly message = signal<LiveMessage | undefined>(undefined);
  /** The job before it was looked at again. */
  private readonly before = signal<Job | undefined>(undefined);

  /** Who has changed what, where it is not shown yet. */
  readonly said = computed(() => {
    const message = this.message();
    if (!message) return undefined;
    const what = message.topic === 'works' ? $localize`norms or machines of the works` : $localize`this job`;
    return $localize`${changerOf(message)} has changed ${what}.`;
  });
  /** What that came to, once it is shown. */
  readonly changes = computed(() => {
    const [before, now, works] = [this.before(), this.editor.job(), this.editor.works()];
    return before && now && works ? diffJobs(before, now).map((change) => changeInWords(change, works)) : [];
  });

  constructor() {
    whenChanged(['jobs', 'works'], (message) => this.hear(message));
    // Another job, and what was typed here since: what others did is old news.
    effect(() => {
      this.id();
      this.editor.unsaved();
      untracked(() => this.forget());
    });
  }

  private hear(message: LiveMessage): void {
    const revision = this.editor.revision();
    if (!revision || !this.editor.isNewest() || this.tabs.isHere(message.tab)) return;
    // A released plan keeps the norms that it was made with.
    if (message.topic === 'works' && revision.state === 'draft') this.message.set(message);
    if (message.topic === 'jobs' && message.job === revision.id) this.message.set(message);
    if (message.topic === 'all')
      this.api
        .job(revision.id)
        .pipe(catchError(() => EMPTY))
        .subscribe(({ version }) => {
          if (version !== this.editor.revision()?.version) this.message.set(message);
        });
  }

  /** Shows it as it stands now. */
  look(): void {
    const id = this.id();
    if (id === undefined) return;
    this.message.set(undefined);
    this.before.set(this.editor.job() ?? undefined);
    this.editor.lookAgain(id);
  }
  forget(): void {
    this.message.set(undefined);
    this.before.set(undefined);
  }
}
