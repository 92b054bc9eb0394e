import { Injectable } from '@angular/core';
import type { LocalDraft } from './job.state';

const key = (jobId: number): string => `druckerei.draft.${jobId}`;

/** Drafts on this computer, kept until the server has them. */
@Injectable({ providedIn: 'root' })
export class LocalDrafts {
  read(jobId: number): LocalDraft | null {
    try {
      const text = localStorage.getItem(key(jobId));
      return text === null ? null : (JSON.parse(text) as LocalDraft);
    } catch {
      return null; // not ours, or cut short: the server's version stands
    }
  }

  keep(jobId: number, draft: LocalDraft): void {
    localStorage.setItem(key(jobId), JSON.stringify(draft));
  }

  forget(jobId: number): void {
    localStorage.removeItem(key(jobId));
  }
}
