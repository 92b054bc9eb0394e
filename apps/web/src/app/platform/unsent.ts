/** Where drafts of an account are kept on this computer: then the job, and the tab. */
export const draftsOf = (account: number): string => `druckerei.draft.${account}.`;
/** Where press-room entries of an account wait. */
export const outboxOf = (account: number): string => `druckerei.outbox.${account}`;

/** What of a kept draft says that it is not saved, and of which job it is. */
interface KeptDraft {
  readonly unsaved?: unknown;
  readonly base?: { readonly number?: unknown };
}

/** Numbers of the jobs that an account has typed into without the server having it. */
export function unsentDrafts(account: number): readonly string[] {
  const numbers = Object.keys(localStorage)
    .filter((key) => key.startsWith(draftsOf(account)))
    .flatMap((key) => {
      try {
        const draft = JSON.parse(localStorage.getItem(key) ?? '') as KeptDraft | null;
        const number = draft?.base?.number;
        return draft?.unsaved === true && typeof number === 'string' ? [number] : [];
      } catch {
        return [];
      }
    });
  return [...new Set(numbers)];
}
