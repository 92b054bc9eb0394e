import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { RouterLink } from '@angular/router';
import type { StationLine } from '@druckerei/contract';
import { Store } from '@ngrx/store';
import { firstValueFrom } from 'rxjs';
import { BookApi } from '../../platform/book-api';
import { BookOutbox, deviceName, nameDevice } from '../../platform/book-outbox';
import { whenChanged } from '../../platform/live';
import { failureOf } from '../../platform/problem';
import { selectMay } from '../../platform/session.state';
import { count, hourText, many, timeText, unitText } from '../../ui/format';
import { CountsFile } from './counts-file';
import { PHASES } from './entry-forms';
import { keepOffline } from '../../platform/keep-offline';
import { Scans, hearScanner } from './scans';
import { ScanField } from './ui/scan-field';

/** All stations at work, for whoever has the room in view; and the way to one's own, by its tag. */
@Component({
  selector: 'dk-stations-page',
  imports: [CountsFile, MatButtonModule, MatIconModule, MatProgressBarModule, RouterLink, ScanField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './stations.page.html',
  styleUrl: './stations.page.scss',
})
export class StationsPage {
  private readonly api = inject(BookApi);
  private readonly scans = inject(Scans);
  protected readonly outbox = inject(BookOutbox);
  protected readonly lines = signal<readonly StationLine[] | undefined>(undefined);
  protected readonly failed = signal('');
  protected readonly problem = signal('');
  protected readonly busy = signal(false);
  protected readonly device = signal(deviceName());
  protected readonly mayRecord = inject(Store).selectSignal(selectMay('record'));
  protected readonly count = count;
  protected readonly many = many;
  protected readonly hour = hourText;
  protected readonly time = timeText;
  protected readonly unit = unitText;
  protected readonly phases = PHASES;
  /** What has to be looked at first: held, stopped, open; then what runs. */
  protected readonly sorted = computed(() => {
    const urgent = ({ held, phase }: StationLine): number => (held > 0 ? 0 : phase === 'stopped' ? 1 : 2);
    return [...(this.lines() ?? [])].sort((a, b) => urgent(a) - urgent(b) || b.last.localeCompare(a.last));
  });

  constructor() {
    keepOffline();
    hearScanner((code) => void this.open(code));
    whenChanged(['room'], () => void this.load());
    void this.load();
  }

  protected async load(): Promise<void> {
    try {
      this.lines.set(await firstValueFrom(this.api.stations()));
      this.failed.set('');
    } catch (error) {
      this.failed.set(failureOf(error).text);
    }
  }

  protected openText(difference: number): string {
    if (difference === 0) return '';
    return difference > 0
      ? $localize`, ${count(difference, 2)} still here`
      : $localize`, ${count(-difference, 2)} more told than came in`;
  }
  protected async open(code: string): Promise<void> {
    this.busy.set(true);
    this.problem.set(await this.scans.open(code));
    this.busy.set(false);
  }

  protected named(field: HTMLInputElement): void {
    const name = field.value.trim();
    if (name !== '') nameDevice(name);
    this.device.set(deviceName());
  }
}
