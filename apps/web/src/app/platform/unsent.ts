import * as z from 'zod';

/** Where drafts of an account are kept on this computer: then the job, and the tab. */
export const draftsOf = (account: number): string => `druckerei.draft.${account}.`;
/** Where press-room entries of an account wait. */
export const outboxOf = (account: number): string => `druckerei.outbox.${account}`;

const draftSchema = z.object({ unsaved: z.literal(true), base: z.object({ number: z.string() }) });

/** Numbers of the jobs that an account has typed into without the server having it. */
export function unsentDrafts(account: number): readonly string[] {
  const numbers = Object.keys(localStorage)
    .filter((key) => key.startsWith(draftsOf(account)))
    .flatMap((key) => {
      try {
        const { data } = draftSchema.safeParse(JSON.parse(localStorage.getItem(key) ?? ''));
        return data ? [data.base.number] : [];
      } catch {
        return [];
      }
    });
  return [...new Set(numbers)];
}
