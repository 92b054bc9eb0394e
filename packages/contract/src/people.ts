import * as z from 'zod';
import { line } from './text.js';

/** What somebody may do, in words. */
export const RIGHTS = {
  plan: 'Plan jobs: begin, change, copy and put them aside',
  release: 'Release jobs',
  norms: 'Set norms and the folds of the house',
  machines: 'Enter machines, papers and prices',
  customers: 'Enter customers, their orders and offers',
  record: 'Enter what happens at plates, inks and press',
  accountable: 'See and enter accountable work: what is issued, bagged, destroyed, voided',
  explain: 'Explain entries of the floor that are held back',
  schedule: 'Say when work runs: hours of the works, pins, schedules',
  prices: 'See what things cost: prices, hour rates, costs of plans',
  buy: 'Enter suppliers and their prices, and order from them',
  stores: 'Enter what comes into the stores and goes out',
  settings: 'Set what the works says of itself',
  people: 'Invite people, set roles, and read what was done',
  backup: 'Save the works and bring it back',
} as const;
export type Right = keyof typeof RIGHTS;
export const RIGHT_IDS = Object.keys(RIGHTS) as readonly Right[];
export const rightSchema = z.enum(Object.keys(RIGHTS) as [Right, ...Right[]]);

/** The role that may do everything, whatever comes to be: nobody can lock themselves out by it. */
export const MANAGER_ROLE = 'manager';

export const roleId = z.string().regex(/^[a-z0-9][a-z0-9-]{0,39}$/, {
  error: () => $localize`an id has small letters, digits and hyphens, forty at most`,
});
/** Where whoever may record does so: at all stations, or at those of these keys. */
export const ownStationsSchema = z
  .union([
    z.literal('all'),
    z
      .array(
        z.string().regex(/^(machine|hand|room)\/[a-z0-9][a-z0-9-]{0,79}$/, {
          error: () => $localize`a station is machine/ and its id, hand/ and what is done, room/plates or room/inks`,
        }),
      )
      .max(1000),
  ])
  .meta({ id: 'OwnStations' });
export const roleSchema = z
  .strictObject({ id: z.string(), name: z.string(), rights: z.array(rightSchema), stations: ownStationsSchema })
  .meta({ id: 'Role' });
export type RoleOf = z.output<typeof roleSchema>;
export const roleChangeSchema = z
  .strictObject({
    name: line(60).min(1),
    rights: z.array(rightSchema).max(RIGHT_IDS.length),
    stations: ownStationsSchema.optional().describe('as they are where it is left out'),
  })
  .meta({ id: 'RoleChange' });

export type RoleChange = z.output<typeof roleChangeSchema>;

/** Whoever has one of these rights works with prices, and sees them. */
export const WITH_PRICES: readonly Right[] = ['plan', 'release', 'norms', 'machines', 'customers', 'buy'];

/** What a role may do: whoever manages may do everything, what came later too. */
export function rightsOf({ id, rights }: Pick<RoleOf, 'id' | 'rights'>): Right[] {
  if (id === MANAGER_ROLE) return [...RIGHT_IDS];
  return rights.some((right) => WITH_PRICES.includes(right)) ? [...new Set<Right>([...rights, 'prices'])] : rights;
}

export const loginSchema = line(80).min(1);
export const inviteSchema = z
  .strictObject({ login: loginSchema, name: line(80).min(1), role: roleId })
  .meta({ id: 'Invite' });
/** A link that was made: it is told once, and can be used once until it ends. */
export const madeLinkSchema = z.strictObject({ path: z.string(), until: z.iso.datetime() }).meta({ id: 'MadeLink' });
export type MadeLink = z.output<typeof madeLinkSchema>;
/** What every token of a program begins with: whoever finds one somewhere knows what it is. */
export const TOKEN_MARK = 'druckerei-';
export const tokenDaysSchema = z
  .strictObject({
    days: z.int().min(1).max(3650).nullable().describe('that the token holds; null until it is withdrawn'),
  })
  .meta({ id: 'TokenDays' });
export const programSchema = z
  .strictObject({ name: line(60).min(1), role: roleId, days: tokenDaysSchema.shape.days })
  .meta({ id: 'Program' });
/** The token of a program: it is told once. */
export const madeTokenSchema = z
  .strictObject({ token: z.string(), until: z.iso.datetime().nullable() })
  .meta({ id: 'MadeToken' });
export type MadeToken = z.output<typeof madeTokenSchema>;
export const personChangeSchema = z
  .strictObject({ name: line(80).min(1), role: roleId, disabled: z.boolean() })
  .meta({ id: 'PersonChange' });

export const personSchema = z
  .strictObject({
    id: z.int(),
    login: z.string(),
    name: z.string(),
    role: z.string(),
    roleName: z.string(),
    disabled: z.boolean(),
    invited: z.boolean().describe('has not chosen a password yet'),
    secondFactor: z.boolean(),
    demo: z.boolean(),
    sessions: z.int(),
    lastSeen: z.iso.datetime().nullable(),
    program: z
      .strictObject({
        holds: z.boolean().describe('it has a token that holds'),
        until: z.iso.datetime().nullable(),
        used: z.iso.datetime().nullable().describe('about'),
      })
      .nullable()
      .describe('of a program: its token'),
  })
  .meta({ id: 'Person' });
export type Person = z.output<typeof personSchema>;
export const peopleSchema = z
  .strictObject({ people: z.array(personSchema), roles: z.array(roleSchema) })
  .meta({ id: 'People' });
export type People = z.output<typeof peopleSchema>;

export const signInsSchema = z.array(
  z
    .strictObject({ address: z.string(), what: z.string(), result: z.string(), at: z.iso.datetime() })
    .meta({ id: 'SignInRecord' }),
);
export type SignIns = z.output<typeof signInsSchema>;

export const auditQuery = z.object({
  search: z.string().max(100).optional(),
  limit: z.coerce.number().int().min(1).max(500).optional(),
  offset: z.coerce.number().int().min(0).max(10_000_000).optional(),
});
export const auditSchema = z
  .strictObject({ at: z.iso.datetime(), by: z.string(), what: z.string(), subject: z.string() })
  .meta({ id: 'AuditRecord' });
export type AuditRecord = z.output<typeof auditSchema>;
