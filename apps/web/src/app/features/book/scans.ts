import { DestroyRef, Injectable, inject } from '@angular/core';
import { Router } from '@angular/router';
import { firstValueFrom } from 'rxjs';
import { BookApi } from '../../platform/book-api';
import { failureOf } from '../../platform/problem';
import { soundOf } from './sound';

/** Milliseconds between two keys of a code at most, also where the tablet is slow. */
const FAST_MS = 500;
const LEAST = 4;

/** Goes where a code leads: to the station of a pile, or of a ticket. */
@Injectable({ providedIn: 'root' })
export class Scans {
  private readonly api = inject(BookApi);
  private readonly router = inject(Router);

  /** @returns why it leads nowhere; empty where it does. */
  async open(code: string): Promise<string> {
    try {
      const { job, step, pile, count: pieces, material } = await firstValueFrom(this.api.scan(code));
      const queryParams = pile === null ? {} : { pile, pieces, material };
      await this.router.navigate(['/book', job.id, step ?? (await this.firstOpen(job.id))], { queryParams });
      soundOf('taken');
      return '';
    } catch (error) {
      soundOf('refused');
      return failureOf(error).text;
    }
  }

  /** Of a ticket the station that is at work, else the first. */
  private async firstOpen(job: number): Promise<string> {
    const at = (await firstValueFrom(this.api.stations())).find((line) => line.job.id === job);
    if (at) return at.step;
    const { card } = await firstValueFrom(this.api.book(job));
    return (card?.steps[0] as { id?: string } | undefined)?.id ?? 'none';
  }
}

/** Hears a hand scanner that types, where no field takes what it types. To be called where one may inject. */
export function hearScanner(heard: (code: string) => void): void {
  let typed = '';
  let last = 0;
  const hear = (event: KeyboardEvent): void => {
    const { target, key, timeStamp } = event;
    if (target instanceof HTMLInputElement || target instanceof HTMLTextAreaElement) return;
    if (timeStamp - last > FAST_MS) typed = '';
    last = timeStamp;
    if (key === 'Enter' && typed.length >= LEAST) {
      event.preventDefault();
      heard(typed);
      typed = '';
    } else if (key.length === 1) typed += key;
  };
  document.addEventListener('keydown', hear, { capture: true });
  inject(DestroyRef).onDestroy(() => document.removeEventListener('keydown', hear, { capture: true }));
}
