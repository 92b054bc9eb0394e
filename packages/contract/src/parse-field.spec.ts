import { type FieldPath, type Job, setField } from '@druckerei/core';
import { readFileSync } from 'node:fs';
import { fieldErrorAt, fieldErrors, jobSchema, parseJobFile, pathOf } from './index.js';

const job = JSON.parse(readFileSync('docs/examples/concert-programme.json', 'utf8')) as Job;
const VALUES: readonly unknown[] = [-1, 0, 1.5, 12, 1e12, '', 'two', true, [], {}, ['x'], undefined, NaN];

/** Every field of a job, wherever it lies. */
function pathsOf(value: unknown, at: FieldPath = []): FieldPath[] {
  if (typeof value !== 'object' || value === null) return [at];
  const inner = Object.entries(value).flatMap(([key, one]) =>
    pathsOf(one, [...at, Array.isArray(value) ? Number(key) : key]),
  );
  return at.length === 0 ? inner : [at, ...inner];
}

describe('one field of a job', () => {
  it('is told the same alone as by the whole schema, for every field and wrong values of every kind', () => {
    let wrong = 0;
    for (const path of pathsOf(job))
      for (const value of VALUES) {
        const changed = setField(job, path, value) as Job;
        const parsed = jobSchema.safeParse(changed, { reportInput: true });
        const whole = parsed.success ? undefined : fieldErrors(parsed.error).find((one) => one.path === pathOf(path));
        expect({ path, value, error: fieldErrorAt(changed, path) }).toEqual({ path, value, error: whole });
        if (whole) wrong++;
      }
    expect(wrong).toBeGreaterThan(500);
  });

  it('is no error where another part of the job is wrong', () => {
    const broken = setField(job, ['components', 0, 'stock'], 7) as Job;
    expect(fieldErrorAt(broken, ['order', 'quantity'])).toBeUndefined();
    expect(fieldErrorAt(broken, ['components', 0, 'stock'])?.path).toBe('components[0].stock');
  });
});

describe('a job file', () => {
  it('of version 1 is still read', () => {
    const parsed = parseJobFile(readFileSync('docs/kept/job-1.json', 'utf8'));
    expect(parsed.ok && parsed.job.title).toBe('Seed packets');
  });

  it('of a later version is refused with what to do', () => {
    const parsed = parseJobFile(JSON.stringify({ ...job, version: 2 }));
    expect(parsed.ok ? [] : parsed.errors).toEqual([
      { path: 'version', message: 'This file has version 2, this Druckerei reads 1: bring it up to date' },
    ]);
  });
});
