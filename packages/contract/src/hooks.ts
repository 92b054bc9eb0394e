import * as z from 'zod';
import { line } from './text.js';

/** What other programs are told of, in words for whoever chooses. */
export const HOOK_EVENTS = {
  'job.released': $localize`A job is released`,
  'job.counted': $localize`A station counts`,
  'job.done': $localize`A job is done`,
  'job.late': $localize`A job becomes late`,
} as const;
export type HookEvent = keyof typeof HOOK_EVENTS;
export const HOOK_EVENT_IDS = Object.keys(HOOK_EVENTS) as [HookEvent, ...HookEvent[]];

/** What messages are signed with begins like this; what follows is base64. */
export const SECRET_MARK = 'whsec_';

/** An address is of the web, and carries no name and password. */
const address = z
  .string()
  .max(500)
  .refine((text) => /^https?:\/\/[^\s/?#]+([/?#]\S*)?$/.test(text), {
    error: 'is no address: it begins with http:// or https://',
  })
  .refine((text) => !/^\w+:\/\/[^/?#]*@/.test(text), {
    error: () => $localize`has a name and a password in it, which everybody sees who looks: leave them out`,
  })
  .meta({ format: 'uri' });

export const hookChangeSchema = z
  .strictObject({
    name: line(60).min(1),
    url: address,
    events: z.array(z.enum(HOOK_EVENT_IDS)).min(1),
    paused: z.boolean(),
  })
  .meta({ id: 'HookChange' });
export type HookChange = z.output<typeof hookChangeSchema>;

const messageState = z.enum(['waiting', 'delivered', 'given up']);
export const hooksSchema = z.array(
  hookChangeSchema
    .extend({
      id: z.int(),
      last: z
        .strictObject({ at: z.iso.datetime(), state: messageState, outcome: z.string() })
        .nullable()
        .describe('how the last try of a message to it ended'),
      waiting: z.int().describe('messages that wait to be sent or tried again'),
    })
    .meta({ id: 'Hook' }),
);
export type Hook = z.output<typeof hooksSchema>[number];
/** What messages to an address are signed with: it is told once. */
export const hookSecretSchema = z.strictObject({ secret: z.string() }).meta({ id: 'HookSecret' });
export type HookSecret = z.output<typeof hookSecretSchema>;
export const hookMessagesSchema = z.array(
  z
    .strictObject({
      id: z.int(),
      event: z.string(),
      at: z.iso.datetime(),
      tries: z.int(),
      state: messageState,
      outcome: z.string().describe('of the last try'),
    })
    .meta({ id: 'HookMessage' }),
);
export type HookMessage = z.output<typeof hookMessagesSchema>[number];
