import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { RouterLink } from '@angular/router';
import { type Revision, parseJobFile, statusOf } from '@druckerei/contract';
import { Store } from '@ngrx/store';
import { type Observable } from 'rxjs';
import { Api } from '../../../platform/api';
import { failureOf } from '../../../platform/problem';
import { selectMay } from '../../../platform/session.state';
import { timeText } from '../../../ui/format';
import { StatusMark } from '../../../ui/status-mark';
import {} from '../../../ui/word';

/** A job as it is written, without reckoning anything: the way in where a plan goes wrong. It is mended, or put aside. */
@Component({
  selector: 'dk-plain-page',
  imports: [MatButtonModule, MatFormFieldModule, MatInputModule, MatProgressBarModule, RouterLink, StatusMark],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './plain.page.html',
  styleUrl: './plain.page.scss',
})
export class PlainPage {
  private readonly api = inject(Api);
  protected readonly mayEdit = inject(Store).selectSignal(selectMay('plan'));
  readonly id = input.required<string>();
  protected readonly revision = signal<Revision | undefined>(undefined);
  /** The job file as it is typed here; what has been typed stays, whatever comes. */
  protected readonly text = signal('');
  protected readonly problem = signal('');
  protected readonly said = signal('');
  protected readonly busy = signal(false);
  protected readonly time = timeText;
  private readonly parsed = computed(() => parseJobFile(this.text()));
  protected readonly wrong = computed(() => {
    const parsed = this.parsed();
    return parsed.ok ? [] : parsed.errors.slice(0, 20);
  });
  protected readonly status = computed(() => {
    const now = this.revision();
    return now ? statusOf(now) : 'draft';
  });
  protected readonly isChanged = computed(() => this.text() !== this.written());

  constructor() {
    effect(() => this.ask(this.api.job(Number(this.id())), '', true));
  }

  private written(): string {
    return JSON.stringify(this.revision()?.job, null, 2);
  }

  private ask(call: Observable<Revision>, said: string, write: boolean): void {
    this.busy.set(true);
    this.problem.set('');
    this.said.set('');
    call.subscribe({
      next: (revision) => {
        this.revision.set(revision);
        if (write) this.text.set(this.written());
        this.busy.set(false);
        this.said.set(said);
      },
      error: (error: unknown) => {
        const { text, problem } = failureOf(error);
        // What stands now is known from here on; saved once more, it is meant.
        if (problem?.current) this.revision.set(problem.current);
        this.problem.set(text);
        this.busy.set(false);
      },
    });
  }

  protected save(): void {
    const [parsed, now] = [this.parsed(), this.revision()];
    if (parsed.ok && now) this.ask(this.api.saveDraft(now.id, now.version, parsed.job), $localize`Saved.`, true);
  }

  protected putAside(aside: boolean): void {
    const now = this.revision();
    if (now)
      this.ask(
        this.api.putAside(now.id, now.version, aside),
        aside ? $localize`Put aside.` : $localize`Taken up again.`,
        false,
      );
  }
}
