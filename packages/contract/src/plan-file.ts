import { type Plan, table } from '@druckerei/core';
import * as z from 'zod';

const figure = z.looseObject({
  id: z.string(),
  name: z.string(),
  value: z.number(),
  unit: z.string(),
  inputs: z.record(z.string(), z.string()),
  source: z.looseObject({ label: z.string() }),
});
const step = z.looseObject({ id: z.string(), operation: z.string(), processUnits: z.number(), needsOut: z.number() });
const edge = z.looseObject({ material: z.string(), count: z.number(), figure: z.string(), state: z.looseObject({}) });

/** What is read of a plan that was kept; what lies inside a layout or a material is as the engine of its version made it. */
const planFileSchema = z.object({
  format: z.literal('druckerei-plan'),
  version: z.literal(1),
  plan: z.looseObject({
    school: z.string(),
    steps: z.array(step),
    edges: z.array(edge),
    layouts: z.record(z.string(), z.looseObject({ component: z.looseObject({}), sheet: z.looseObject({}) })),
    packings: z.record(z.string(), z.looseObject({})),
    uses: z.array(z.looseObject({ step: z.string(), supply: z.string(), figure: z.string() })),
    totals: z.looseObject({ hours: z.number(), cost: z.record(z.string(), z.number()) }),
    schools: z.looseObject({}),
    figures: z.record(z.string(), figure),
    advice: z.array(z.looseObject({ code: z.string() })),
  }),
});

/** A plan with all its working, to be kept beside the revision that was released with it. */
export const writePlan = (plan: Plan): string => JSON.stringify({ format: 'druckerei-plan', version: 1, plan });

/** A plan that was kept, or in one line why it cannot be read. */
export type KeptPlan = { readonly ok: true; readonly plan: Plan } | { readonly ok: false; readonly why: string };

/** Reads a plan that was kept. A version that is not known is refused, not guessed at. */
export function readPlan(text: string): KeptPlan {
  let body: unknown;
  try {
    body = JSON.parse(text);
  } catch {
    return { ok: false, why: $localize`The plan of this release cannot be read: it is no JSON.` };
  }
  const version = z.looseObject({ version: z.int() }).safeParse(body).data?.version ?? 0;
  if (version > 1)
    return {
      ok: false,
      why: $localize`The plan of this release has version ${version}; this Druckerei reads version 1. Bring it up to date.`,
    };
  const parsed = planFileSchema.safeParse(body);
  if (!parsed.success) {
    const [issue] = parsed.error.issues;
    return {
      ok: false,
      why: $localize`The plan of this release cannot be read: ${issue?.path.join('.') ?? ''} ${issue?.message ?? ''}`,
    };
  }
  const { plan } = parsed.data;
  // Names that people give find nothing of JavaScript's own.
  const named = { layouts: table(Object.entries(plan.layouts)), figures: table(Object.entries(plan.figures)) };
  return { ok: true, plan: { ...plan, ...named } as unknown as Plan };
}
