import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatIconModule } from '@angular/material/icon';
import { MatInputModule } from '@angular/material/input';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { Router, RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { FAMILY_RULES } from '@druckerei/core';
import { type Exchanged, parseJobFile } from '@druckerei/contract';
import { Api } from '../../platform/api';
import { BookApi } from '../../platform/book-api';
import { deviceName } from '../../platform/book-outbox';
import { failureOf } from '../../platform/problem';
import { selectMay } from '../../platform/session.state';
import { enteredText } from '../../ui/entered-words';
import { count, dateText, many, timeText } from '../../ui/format';
import { bytesOfFile } from './file-bytes';
import { WordPipe } from '../../ui/word';

/** Bytes of a file that is sent to be read. */
const MOST_BYTES = 1_000_000;
/** Counts that are shown before they are entered. */
const SHOWN = 40;

/** What came of reading a file. */
type Read = Exchanged & { readonly name: string };

/** A file of another program, or a job file: what it asks for and has counted, seen before anything of it is taken in. */
@Component({
  selector: 'dk-job-file-page',
  imports: [
    MatButtonModule,
    MatFormFieldModule,
    MatIconModule,
    MatInputModule,
    MatProgressBarModule,
    RouterLink,
    WordPipe,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './job-file.page.html',
  styleUrls: ['../../ui/list-page.scss', './job-file.page.scss'],
})
export class JobFilePage {
  private readonly api = inject(Api);
  private readonly book = inject(BookApi);
  private readonly router = inject(Router);
  protected readonly mayPlan = inject(Store).selectSignal(selectMay('plan'));
  protected readonly mayRecord = inject(Store).selectSignal(selectMay('record'));
  protected readonly busy = signal('');
  protected readonly read = signal<Read | undefined>(undefined);
  /** Faults of a file that could not be read, or what refused it. */
  protected readonly faults = signal<readonly string[]>([]);
  protected readonly entered = signal('');
  protected readonly number = signal('');
  protected readonly count = count;
  protected readonly many = many;
  protected readonly time = timeText;
  protected readonly shown = SHOWN;
  protected readonly family = computed(() => {
    const family = this.read()?.job?.family;
    if (!family) return '';
    return family === 'gang' ? $localize`Gang` : FAMILY_RULES[family].name;
  });
  protected readonly due = computed(() => dateText(this.read()?.job?.due));

  protected async open(files: FileList | null): Promise<void> {
    const file = files?.[0];
    if (!file) return;
    this.read.set(undefined);
    this.faults.set([]);
    this.entered.set('');
    if (file.size > MOST_BYTES) {
      this.faults.set([$localize`${file.name} is larger than 1 MB. A job is smaller; take out what is not of it.`]);
      return;
    }
    const { text, base64 } = await bytesOfFile(file);
    if (text.trimStart().startsWith('{')) this.readJobFile(file.name, text);
    else this.readExchange(file.name, base64);
  }

  private readJobFile(name: string, text: string): void {
    const parsed = parseJobFile(text);
    if (parsed.ok) this.show({ name, job: parsed.job as Exchanged['job'], why: [], said: [], counts: [] });
    else this.faults.set(parsed.errors.map(({ path, message }) => (path === '' ? message : `${path}: ${message}`)));
  }

  private readExchange(name: string, base64: string): void {
    this.busy.set($localize`Reading ${name}`);
    this.api.readExchange(base64).subscribe({
      next: (told) => {
        this.busy.set('');
        this.show({ ...told, name });
      },
      error: (error: unknown) => this.fail(error),
    });
  }

  private show(read: Read): void {
    this.read.set(read);
    this.number.set(read.job?.number ?? '');
  }

  private fail(error: unknown): void {
    this.busy.set('');
    const { text, problem } = failureOf(error);
    const lines = problem?.errors?.map(({ path, message }) =>
      path.startsWith('line ') ? `${path.replace('line', $localize`Line`)}: ${message}` : message,
    );
    this.faults.set(lines && lines.length > 0 ? lines : [text]);
  }

  protected begin(): void {
    const job = this.read()?.job;
    if (!job) return;
    this.busy.set($localize`Planning the job`);
    this.faults.set([]);
    this.api.createJob({ ...job, number: this.number().trim() }).subscribe({
      next: ({ id }) => void this.router.navigate(['/jobs', id]),
      error: (error: unknown) => this.fail(error),
    });
  }

  protected enter(): void {
    const lines = this.read()?.counts ?? [];
    this.busy.set($localize`Entering the counts`);
    this.faults.set([]);
    this.book.enterCounts({ device: deviceName(), lines: [...lines] }).subscribe({
      next: (one) => {
        if (!('answer' in one)) return;
        this.busy.set('');
        this.entered.set(enteredText(one.answer));
      },
      error: (error: unknown) => this.fail(error),
    });
  }
}
