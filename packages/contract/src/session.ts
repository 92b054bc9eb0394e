import * as z from 'zod';
import { localeSchema } from './known-places.js';
import { loginSchema, ownStationsSchema, rightSchema } from './people.js';
import { line } from './text.js';

export const accountSchema = z
  .strictObject({
    id: z.int(),
    login: z.string(),
    name: z.string(),
    role: z.string(),
    roleName: z.string(),
    rights: z.array(rightSchema),
    stations: ownStationsSchema.describe('where they enter what happens'),
    secondFactor: z.boolean(),
    program: z.boolean().optional().describe('a program that comes in by a token'),
    wantsSecondFactor: z
      .enum(['nobody', 'managers', 'everybody'])
      .describe('whom the works lets in by a second factor alone'),
    locale: z.string().nullable().optional().describe('language and place of the dates that they chose'),
    worksLocale: z.string().nullable().optional().describe('those of the works'),
    worksMeasures: z.string().nullable().optional().describe('system of measures of the works'),
  })
  .meta({ id: 'Account' });
export type Account = z.output<typeof accountSchema>;

/** The language and place whose dates somebody reads; null for those of the works. */
export const ownSettingsSchema = z.strictObject({ locale: localeSchema.nullable() }).meta({ id: 'OwnSettings' });

/** A password as it is chosen; how hard it is to guess is looked at where it is set. */
export const passwordSchema = z
  .string()
  .min(10, { error: () => $localize`a password has ten letters or more` })
  .max(200);

/** The first manager of a works, made by who reads the code in the terminal. */
export const firstManagerSchema = z
  .strictObject({
    code: z.string().max(40).describe('as the terminal shows it'),
    login: loginSchema,
    name: line(80).min(1),
    password: passwordSchema,
  })
  .meta({ id: 'FirstManager' });
export type FirstManager = z.output<typeof firstManagerSchema>;

export const signInSchema = z
  .strictObject({
    login: loginSchema,
    password: z.string().min(1).max(200),
    code: z.string().max(40).optional().describe('of the second factor, or a recovery code'),
  })
  .meta({ id: 'SignIn' });

export const ownPasswordSchema = z
  .strictObject({ now: z.string().min(1).max(200), next: passwordSchema })
  .meta({ id: 'OwnPassword' });

/** A secret that an app makes codes of, as text, as its address, and drawn for a camera. */
export const newFactorSchema = z
  .strictObject({ secret: z.string(), address: z.string(), drawing: z.string().describe('SVG') })
  .meta({ id: 'NewFactor' });
export type NewFactor = z.output<typeof newFactorSchema>;
const oldCode = z.string().max(40).describe('a code of the second factor that stands, or a recovery code');
export const setFactorSchema = z
  .strictObject({
    secret: z.string().regex(/^[A-Z2-7]{16,64}$/),
    code: z.string().max(20),
    old: oldCode.optional(),
  })
  .meta({ id: 'SetFactor' });
/** Doing without a second factor: whoever sits at somebody's open session cannot. */
export const dropFactorSchema = z.strictObject({ old: oldCode }).meta({ id: 'DropFactor' });

export const linkSchema = z.strictObject({ token: z.string().min(1).max(100) }).meta({ id: 'Link' });
export const welcomeSchema = linkSchema.extend({ password: passwordSchema }).meta({ id: 'Welcome' });
