import { Injectable, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import { jobSchema } from '@druckerei/contract';
import * as z from 'zod';
import { sessionFeature } from '../../../platform/session.state';
import { Tab } from '../../../platform/tab';
import { draftsOf } from '../../../platform/unsent';
import type { LocalDraft } from './job.state';

/** Raised when a draft is kept otherwise; the form before it said nothing of its tab and time, and is still read. */
const FORM = 3;

/** A draft as it was kept; commands are looked at where they are applied. */
const draftSchema = z.object({
  form: z.union([z.literal(FORM), z.literal(2)]),
  at: z.number().default(0),
  version: z.int().min(1),
  base: jobSchema,
  commands: z.array(z.looseObject({ kind: z.string() })).max(10_000),
  cursor: z.int().min(0),
  pending: z.record(z.string(), z.unknown()),
  unsaved: z.boolean(),
});
interface Kept {
  readonly key: string;
  readonly at: number;
  readonly draft: LocalDraft;
}

/** Drafts on this computer, each of the person who typed it and the tab that it was typed in, kept until the server has them. */
@Injectable({ providedIn: 'root' })
export class LocalDrafts {
  private readonly account = inject(Store).selectSignal(sessionFeature.selectAccount);
  private readonly tab = inject(Tab);

  /** Where a draft of whoever is signed in is kept in this tab; nothing is kept of who is not. */
  private key(jobId: number): string | undefined {
    const account = this.account();
    return account && `${draftsOf(account.id)}${jobId}.${this.tab.id}`;
  }

  /**
   * The draft of a job in this tab; else the latest that a tab has left which is no more, taken over. One of a tab that is
   * open stays that tab's.
   */
  async find(jobId: number): Promise<LocalDraft | null> {
    const key = this.key(jobId);
    const account = this.account();
    if (key === undefined || !account) return null;
    const own = this.read(key);
    if (own) return own.draft;
    const before = `${draftsOf(account.id)}${jobId}`;
    const left = Object.keys(localStorage).filter((name) => name === before || name.startsWith(`${before}.`));
    if (left.length === 0) return null;
    const others = await this.tab.others();
    const [latest] = left
      .filter((name) => !others.has(name.slice(before.length + 1)))
      .flatMap((name) => this.read(name) ?? [])
      .sort((a, b) => b.at - a.at);
    if (!latest) return null;
    if (this.keep(jobId, latest.draft)) localStorage.removeItem(latest.key);
    return latest.draft;
  }

  private read(key: string): Kept | undefined {
    try {
      const text = localStorage.getItem(key);
      if (text === null) return undefined;
      const { data } = draftSchema.safeParse(JSON.parse(text));
      return data && data.cursor <= data.commands.length
        ? { key, at: data.at, draft: data as unknown as LocalDraft }
        : undefined;
    } catch {
      return undefined; // not ours, or cut short: the server's version stands
    }
  }

  /** @returns whether this computer keeps it: its storage may be full, or closed to us. */
  keep(jobId: number, draft: LocalDraft): boolean {
    const key = this.key(jobId);
    if (key === undefined) return false;
    try {
      localStorage.setItem(key, JSON.stringify({ ...draft, form: FORM, at: Date.now() }));
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
