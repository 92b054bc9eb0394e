import { HttpEventType } from '@angular/common/http';
import { ChangeDetectionStrategy, Component, DestroyRef, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { Store } from '@ngrx/store';
import type { Restored } from '@druckerei/contract';
import type { Subscription } from 'rxjs';
import { Api } from '../../platform/api';
import { failureOf } from '../../platform/problem';
import { SessionActions, selectMay } from '../../platform/session.state';
import { count, dateText, sizeText } from '../../ui/format';

type Restoring =
  | { readonly kind: 'idle' }
  /** Share of the file that is sent, 0 to 1; from then on the server reads it. */
  | { readonly kind: 'sending'; readonly share: number }
  | { readonly kind: 'stopped' }
  | { readonly kind: 'failed'; readonly message: string }
  | { readonly kind: 'done'; readonly restored: Restored };

/** Takes everything that the works keeps away in one file, and brings it into an empty works. */
@Component({
  selector: 'dk-backup-page',
  imports: [MatButtonModule, MatIconModule, MatProgressBarModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './backup.page.html',
  styleUrl: './backup.page.scss',
})
export class BackupPage {
  private readonly api = inject(Api);
  private readonly store = inject(Store);
  private sending: Subscription | undefined;
  protected readonly mayEdit = this.store.selectSignal(selectMay('backup'));
  protected readonly file = signal<File | undefined>(undefined);
  protected readonly state = signal<Restoring>({ kind: 'idle' });
  protected readonly size = sizeText;
  protected readonly sent = computed(() => {
    const state = this.state();
    return state.kind === 'sending' ? state.share : 0;
  });
  protected readonly message = computed(() => {
    const state = this.state();
    return state.kind === 'failed' ? state.message : '';
  });
  protected readonly told = computed(() => {
    const state = this.state();
    if (state.kind !== 'done') return '';
    const { made, jobs, rows } = state.restored;
    return $localize`Restored as of ${dateText(made)}\: ${count(jobs)} jobs, ${count(rows)} rows in all, equal to the backup.`;
  });

  constructor() {
    inject(DestroyRef).onDestroy(() => this.sending?.unsubscribe());
  }

  protected choose(files: FileList | null): void {
    this.file.set(files?.[0]);
    this.state.set({ kind: 'idle' });
  }

  protected restore(file: File): void {
    this.state.set({ kind: 'sending', share: 0 });
    this.sending = this.api.restore(file).subscribe({
      next: (event) => {
        if (event.type === HttpEventType.UploadProgress)
          this.state.set({ kind: 'sending', share: event.loaded / (event.total ?? file.size) });
        if (event.type === HttpEventType.Response && event.body) this.state.set({ kind: 'done', restored: event.body });
      },
      error: (error: unknown) => this.state.set({ kind: 'failed', message: failureOf(error).text }),
    });
  }

  protected stop(): void {
    this.sending?.unsubscribe();
    this.state.set({ kind: 'stopped' });
  }

  /** The session ended with the accounts that were here before. */
  protected signIn(): void {
    this.store.dispatch(SessionActions.signedOut());
  }
}
