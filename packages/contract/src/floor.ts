import { type FloorHours, type FloorPlan, MOST_PLACES, isWall } from '@druckerei/core';
import * as z from 'zod';
import { line } from './text.js';

const clock = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, { error: () => $localize`write a time of day like 06:00` });
/** Day and time by the clock on the wall of the works. */
export const wallSchema = z
  .string()
  .refine(isWall, { error: () => $localize`write a day and time that there is, like 2026-12-24T06:00` });
const shiftSchema = z.strictObject({ days: z.array(z.int().min(1).max(7)).min(1).max(7), from: clock, until: clock });
const shifts = z.array(shiftSchema).max(21);

/** Most exceptions that hours have: some years of holidays and repairs. */
const MOST_EXCEPTIONS = 1000;
export const floorHoursSchema = z
  .strictObject({
    press: shifts,
    finishing: shifts,
    machines: z.record(z.string().max(80), shifts),
    exceptions: z
      .array(
        z.strictObject({
          machine: z.string().max(80).optional(),
          crew: z.string().max(80).optional(),
          /** Places of the crew that are closed or open; all of them where absent. */
          places: z.int().min(1).max(MOST_PLACES).optional(),
          from: wallSchema,
          until: wallSchema,
          opens: z.boolean(),
          why: line(120),
        }),
      )
      .max(MOST_EXCEPTIONS),
    crews: z
      .array(
        z.strictObject({
          name: line(80),
          places: z.int().min(1).max(MOST_PLACES),
          machines: z.array(z.string().max(80)).max(500),
          shifts,
        }),
      )
      .max(100)
      .optional(),
  })
  .meta({ id: 'FloorHours' });
export const schemaIsHours: (hours: z.output<typeof floorHoursSchema>) => FloorHours = (hours) => hours;
export const hoursChangeSchema = z
  .strictObject({ version: z.int().min(0), hours: floorHoursSchema })
  .meta({ id: 'FloorHoursChange' });

const stepId = z.string().min(1).max(200);
/** What the planner fixes of a station: its machine, its hour, both; nothing takes the pin out. */
export const pinSchema = z
  .strictObject({
    job: z.int().min(1).max(2_147_483_647),
    step: stepId,
    machine: z.string().max(80).optional(),
    start: wallSchema.optional(),
    reason: line(200).optional(),
  })
  .meta({ id: 'FloorPin' });
export type PinChange = z.output<typeof pinSchema>;
export const keptPinSchema = pinSchema.extend({ by: z.string(), at: z.iso.datetime() }).meta({ id: 'KeptFloorPin' });
export type KeptPin = z.output<typeof keptPinSchema>;

/** How hard to look for a better schedule. */
export const EFFORTS = ['rule', 'quick', 'thorough'] as const;
export type Effort = (typeof EFFORTS)[number];
export const planAskedSchema = z
  .strictObject({ effort: z.enum(EFFORTS), seed: z.int().min(1).max(1_000_000).default(1) })
  .meta({ id: 'SchedulePlanAsked' });
export const takeSchema = z.strictObject({ id: z.int().min(1).max(2_147_483_647) }).meta({ id: 'ScheduleTaken' });

/** What would help a late job. */
export const helpSchema = z.strictObject({
  kind: z.enum(['other machine', 'split', 'overtime', 'goes first', 'job first', 'half first']),
  step: z.string().nullable(),
  machine: z.string().nullable(),
  won: z.int(),
  othersLate: z.int(),
  overtime: z.int(),
  rest: z.int(),
});

const inkSchema = z.strictObject({
  unit: z.int(),
  name: z.string(),
  aim: z.strictObject({ l: z.number(), a: z.number(), b: z.number() }).optional(),
});
const at = { job: z.int(), step: z.string() };
/** A schedule: what core's `FloorPlan` is. Minutes count from `origin`, ms since 1970 UTC. */
const planSchema = z
  .strictObject({
    origin: z.number(),
    slots: z.array(
      z.strictObject({
        ...at,
        machine: z.string().nullable(),
        place: z.string().nullable(),
        start: z.int(),
        setUp: z.int(),
        end: z.int(),
        frozen: z.boolean(),
        changes: z.array(
          z.strictObject({
            what: z.enum(['wash', 'size', 'stock', 'thickness', 'fold', 'fold size', 'die', 'glue', 'format']),
            times: z.int(),
            hours: z.number(),
          }),
        ),
        dear: z.number(),
        washes: z.array(z.strictObject({ from: inkSchema, to: inkSchema })),
        cause: z.strictObject({
          kind: z.enum(['release', 'link', 'held']),
          job: z.int().nullable(),
          step: z.string().nullable(),
          held: z.string().nullable(),
          minute: z.int(),
          hold: z
            .strictObject({
              step: z.string(),
              what: z.enum(['paper', 'artwork', 'trial', 'carriers', 'drying']),
              of: z.string(),
              day: z.string().nullable(),
              sent: z.iso.datetime().optional(),
            })
            .nullable(),
        }),
      }),
    ),
    through: z.array(z.strictObject({ job: z.int(), minute: z.int(), spare: z.int().nullable() })),
    late: z.array(
      z.strictObject({
        job: z.int(),
        minutes: z.int(),
        alone: z.int(),
        waits: z.strictObject({ ...at, minutes: z.int() }).nullable(),
        chain: z.array(z.strictObject(at)),
        helps: z.array(helpSchema),
      }),
    ),
    never: z.array(z.strictObject({ ...at, machine: z.string().nullable() })),
    unkept: z.array(z.strictObject({ ...at, minutes: z.int() })),
    judged: z.strictObject({
      late: z.number(),
      lateOrders: z.int(),
      setUp: z.number(),
      through: z.number(),
      unkept: z.number(),
    }),
    bound: z.number(),
    evaluations: z.int(),
    seed: z.int(),
    rough: z.boolean(),
  })
  .meta({ id: 'FloorPlan' });
export const planIsSchema: (plan: FloorPlan) => z.input<typeof planSchema> = (plan) =>
  plan as z.input<typeof planSchema>;

export const scheduleSchema = z
  .strictObject({
    id: z.int(),
    state: z.enum(['trial', 'in force', 'past']),
    by: z.string(),
    at: z.iso.datetime(),
    /** Something that it builds on has changed since. */
    stale: z.boolean(),
    plan: planSchema,
  })
  .meta({ id: 'Schedule' });
export type Schedule = z.output<typeof scheduleSchema>;

/** A plan of the floor that somebody has asked for. */
export const runSchema = z
  .strictObject({
    id: z.int(),
    effort: z.enum(EFFORTS),
    state: z.enum(['waiting', 'running', 'failed']),
    /** Changes that were tried, and so many in all. */
    tried: z.int(),
    of: z.int(),
    problem: z.string().nullable(),
    by: z.string(),
    at: z.iso.datetime(),
  })
  .meta({ id: 'FloorRun' });
export type FloorRun = z.output<typeof runSchema>;
export const askedRunSchema = z.strictObject({ id: z.int() }).meta({ id: 'AskedFloorRun' });

export const floorSchema = z
  .strictObject({
    hours: floorHoursSchema,
    hoursVersion: z.int(),
    jobs: z.array(
      z.strictObject({
        id: z.int(),
        number: z.string(),
        title: z.string(),
        customer: z.string(),
        due: z.string().nullable(),
        weight: z.number(),
        steps: z.array(
          z.strictObject({ id: z.string(), name: z.string(), component: z.string(), machines: z.array(z.string()) }),
        ),
      }),
    ),
    pins: z.array(keptPinSchema),
    inForce: scheduleSchema.nullable(),
    trial: scheduleSchema.nullable(),
    /** The plan that is under way, or has come to nothing; null where there is none. */
    run: runSchema.nullable(),
    /** Released jobs that are left out: long due, and nobody has counted them out. */
    leftOut: z.int(),
    /** Released jobs whose stations are not reckoned yet; the next look goes on. */
    waiting: z.int(),
    /** Released jobs that cannot be planned, with the reason. */
    unplanned: z.array(z.strictObject({ number: z.string(), why: z.string() })),
  })
  .meta({ id: 'Floor' });
export type Floor = z.output<typeof floorSchema>;

export const promiseSchema = z
  .strictObject({
    /** When all of it would be ready at the earliest, without moving what stands; null where it fits nowhere. */
    ready: z.iso.datetime().nullable(),
    late: z.boolean().nullable(),
    /** The job has its place in the schedule in force: what is told is that. */
    inForce: z.boolean(),
    /** Share of the runs drawn in which it is ready in time; null where nobody waits, or it never is. */
    chance: z.number().min(0).max(1).nullable(),
    /** When it is ready in so many of them as the house wants to be sure of; null where it never is. */
    sure: z.iso.datetime().nullable(),
    stations: z.array(
      z.strictObject({
        step: z.string(),
        name: z.string(),
        machine: z.string().nullable(),
        /** What the machine is called. */
        on: z.string().nullable(),
        start: z.iso.datetime(),
        end: z.iso.datetime(),
        /** What it waits for, in words, where it is in force; empty otherwise, or where it could begin at once. */
        waits: z.string(),
      }),
    ),
  })
  .meta({ id: 'Promise' });
export type FloorPromise = z.output<typeof promiseSchema>;

/** Of which machine a shift book is. */
export const shiftBookQuery = z.object({ machine: z.string().max(80).optional() });
/** When the own feed was made; null where there is none. */
export const feedSchema = z.strictObject({ madeAt: z.iso.datetime().nullable() }).meta({ id: 'FloorFeed' });
export type FloorFeed = z.output<typeof feedSchema>;
/** The address of a feed, told once. */
export const madeFeedSchema = feedSchema.extend({ path: z.string() }).meta({ id: 'MadeFloorFeed' });
export type MadeFloorFeed = z.output<typeof madeFeedSchema>;
export const feedToken = z.object({
  token: z.string().regex(/^[\w-]{32}$/, { error: () => $localize`is no address of a calendar` }),
});

const stationSchema = z.strictObject({ job: z.int().min(1).max(2_147_483_647), step: stepId });
/** Where the planner puts a station in a schedule: ahead of another on its machine, behind it, on another machine. */
export const moveSchema = z
  .strictObject({
    schedule: z.int().min(1).max(2_147_483_647),
    ...stationSchema.shape,
    before: stationSchema.optional(),
    after: stationSchema.optional(),
    machine: z.string().max(80).optional(),
  })
  .meta({ id: 'FloorMove' });
export type MoveAsked = z.output<typeof moveSchema>;
export const effectSchema = z
  .strictObject({
    shifted: z.array(z.strictObject({ job: z.int(), minutes: z.int() })),
    setUp: z.int(),
    lateOrders: z.int(),
  })
  .meta({ id: 'FloorMoveEffect' });
export type MoveEffect = z.output<typeof effectSchema>;
