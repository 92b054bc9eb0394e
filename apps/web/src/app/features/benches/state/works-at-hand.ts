import { InjectionToken } from '@angular/core';
import type { Works } from '@druckerei/core';

async function askWorks(): Promise<Works> {
  const answer = await fetch('/api/works');
  if (!answer.ok) throw new Error('the works cannot be read');
  return (await answer.json()) as Works;
}

/** Asks for the works whose norms count; fails for whoever may not read it, and without network. */
export const WORKS_AT_HAND = new InjectionToken<() => Promise<Works>>('works at hand', { factory: () => askWorks });
