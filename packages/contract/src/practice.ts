import * as z from 'zod';
import { MOST_BEYOND, MOST_SHIFT_STEPS, MOVED_COLOURS, SHIFT_COLOURS, SHIFT_LOOKS } from '@druckerei/core';
import { line } from './text.js';

/** Most rows of an exercise that are sent filled. */
const MOST_ROWS = 50;

/** An exercise as somebody has filled it; it is marked by the server. */
export const filledExerciseSchema = z
  .strictObject({
    kind: line(40),
    seed: z.int().min(1).max(1_000_000_000),
    grade: z.union([z.literal(1), z.literal(2), z.literal(3)]),
    answers: z
      .array(z.strictObject({ row: line(60), value: z.number() }))
      .max(MOST_ROWS)
      .describe('what stands in its rows, metric'),
  })
  .meta({ id: 'FilledExercise' });
export type FilledExercise = z.output<typeof filledExerciseSchema>;

const steps = z.int().min(-MOST_SHIFT_STEPS).max(MOST_SHIFT_STEPS).describe('steps of the press');
/** A shift as somebody has played it; it is held against the best by the server. */
export const playedShiftSchema = z
  .strictObject({
    seed: z.int().min(1).max(1_000_000_000),
    decisions: z
      .array(
        z.strictObject({
          moves: z.partialRecord(z.enum(MOVED_COLOURS), steps),
          keys: z.partialRecord(z.enum(SHIFT_COLOURS), steps),
          roll: z.enum(['same', 'new']).optional().describe('at the break'),
          count: z.boolean().optional().describe('whether a pile is counted by hand'),
        }),
      )
      .length(SHIFT_LOOKS)
      .describe('what was decided at each look'),
    extra: z.int().min(0).max(MOST_BEYOND).describe('copies run beyond'),
  })
  .meta({ id: 'PlayedShift' });
export type PlayedShift = z.output<typeof playedShiftSchema>;

const reachedSchema = z.strictObject({
  kind: z.string(),
  times: z.int(),
  best: z.number().describe('best share of the marks, 0 to 1'),
  last: z.iso.datetime(),
});
export const reachedListSchema = z.array(reachedSchema.meta({ id: 'Reached' }));
export type Reached = z.output<typeof reachedListSchema>[number];
export const classSchema = z.array(
  reachedSchema.extend({ person: z.int(), name: z.string() }).meta({ id: 'ClassLine' }),
);
export type ClassLine = z.output<typeof classSchema>[number];
