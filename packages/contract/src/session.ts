import * as z from 'zod';
import { localeSchema } from './known-places.js';
import { line } from './text.js';

export const ROLES = ['manager', 'operator', 'viewer'] as const;
export type Role = (typeof ROLES)[number];

export const roleSchema = z.enum(ROLES);

export const accountSchema = z
  .strictObject({
    id: z.int(),
    login: z.string(),
    name: z.string(),
    role: roleSchema,
    locale: z.string().nullable().optional().describe('language and place of the dates that they chose'),
    worksLocale: z.string().nullable().optional().describe('those of the works'),
  })
  .meta({ id: 'Account' });
export type Account = z.output<typeof accountSchema>;

/** The language and place whose dates somebody reads; null for those of the works. */
export const ownSettingsSchema = z.strictObject({ locale: localeSchema.nullable() }).meta({ id: 'OwnSettings' });

/** The first manager of a works, made by who reads the code in the terminal. */
export const firstManagerSchema = z
  .strictObject({
    code: z.string().max(40).describe('as the terminal shows it'),
    login: line(80).min(1),
    name: line(80).min(1),
    password: z.string().min(10, { error: 'a password has ten letters or more' }).max(200),
  })
  .meta({ id: 'FirstManager' });
export type FirstManager = z.output<typeof firstManagerSchema>;

export const signInSchema = z
  .strictObject({ login: line(80).min(1), password: z.string().min(1).max(200) })
  .meta({ id: 'SignIn' });
