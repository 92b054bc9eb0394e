import * as z from 'zod';

/** What somebody else may have open: jobs, their press room, the works with its norms and machines, stores and books. */
export const TOPICS = [
  'jobs',
  'room',
  'works',
  'stores',
  'finished',
  'singles',
  'customers',
  'people',
  'floor',
  'all',
] as const;
export type Topic = (typeof TOPICS)[number];

/** That something was changed: what, of which job where it is one's, by whom, and in which tab. It does not say how. */
export const liveSchema = z
  .strictObject({
    topic: z.enum(TOPICS),
    job: z.int().optional(),
    by: z.string(),
    tab: z.string().optional(),
  })
  .meta({ id: 'LiveMessage' });
export type LiveMessage = z.output<typeof liveSchema>;
