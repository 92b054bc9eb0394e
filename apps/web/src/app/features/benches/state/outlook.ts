import { type Job, type Works, numberText, plan, unitText } from '@druckerei/core';
import { issueText } from '@druckerei/contract';

/** What a job comes to in a line; or what has to be mended before it can be planned. */
export function outlookOf(job: Job, works: Works): { readonly ok: boolean; readonly text: string } {
  const outcome = plan(job, works);
  if (!outcome.ok) return { ok: false, text: outcome.issues.map(issueText).join(' ') };
  const { pressSheets, plates } = outcome.value.totals;
  const sheets = Object.values(pressSheets).reduce((a, b) => a + b, 0);
  return {
    ok: true,
    text: $localize`${numberText(sheets)} press sheets, ${plates} ${unitText('plate', plates)}.`,
  };
}
