import { Injectable, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import { jobSchema } from '@druckerei/contract';
import * as z from 'zod';
import { sessionFeature } from '../../../platform/session.state';
import type { LocalDraft } from './job.state';

/** Raised when a draft is kept otherwise: one of another form is left alone. */
const FORM = 2;

/** A draft as it was kept; commands are looked at where they are applied. */
const draftSchema = z.object({
  form: z.literal(FORM),
  version: z.int().min(1),
  base: jobSchema,
  commands: z.array(z.looseObject({ kind: z.string() })).max(10_000),
  cursor: z.int().min(0),
  pending: z.record(z.string(), z.unknown()),
  unsaved: z.boolean(),
});

/** Drafts on this computer, each of the person who typed it, kept until the server has them. */
@Injectable({ providedIn: 'root' })
export class LocalDrafts {
  private readonly account = inject(Store).selectSignal(sessionFeature.selectAccount);

  /** Where a draft of whoever is signed in is kept; nothing is kept of who is not. */
  private key(jobId: number): string | undefined {
    const account = this.account();
    return account && `druckerei.draft.${account.id}.${jobId}`;
  }

  read(jobId: number): LocalDraft | null {
    const key = this.key(jobId);
    try {
      const text = key === undefined ? null : localStorage.getItem(key);
      if (text === null) return null;
      const parsed = draftSchema.safeParse(JSON.parse(text));
      return parsed.success && parsed.data.cursor <= parsed.data.commands.length
        ? (parsed.data as unknown as LocalDraft)
        : null;
    } catch {
      return null; // not ours, or cut short: the server's version stands
    }
  }

  /** @returns whether this computer keeps it: its storage may be full, or closed to us. */
  keep(jobId: number, draft: LocalDraft): boolean {
    const key = this.key(jobId);
    if (key === undefined) return false;
    try {
      localStorage.setItem(key, JSON.stringify({ form: FORM, ...draft }));
      return true;
    } catch {
      return false;
    }
  }

  forget(jobId: number): void {
    const key = this.key(jobId);
    if (key !== undefined) localStorage.removeItem(key);
  }
}
