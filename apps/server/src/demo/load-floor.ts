import { setTimeout as wait } from 'node:timers/promises';
import type { RoomEntry } from '@druckerei/core';
import { type Account, dayIn } from '@druckerei/contract';
import { takeNow } from '../features/floor/floor.js';
import { readFloor, readSchedule } from '../features/floor/read-floor.js';
import { openRun } from '../features/floor/open-run.js';
import { askForPlan } from '../features/floor/runs.js';
import type { Bench } from '../features/jobs/bench.js';
import { createJob, release } from '../features/jobs/write-job.js';
import { enterEvent } from '../features/room/enter.js';
import { addHolding } from '../features/stores/stores.js';
import { currentWorks } from '../features/works/works.js';
import { demoHours, floorExamples } from './demo-floor.js';
import { demoManager, exampleJob, patient } from './load-demo.js';

/** Milliseconds between two looks whether the plan is made. */
const LOOK_MS = 200;
/** Of so many jobs one whose artwork nobody has approved. */
const NOT_APPROVED = 6;

/** Makes the carriers of the first pass of a job, and starts the press. */
async function begin(bench: Bench, manager: Account, id: number | undefined): Promise<void> {
  const steps = (await readFloor(bench)).problem.jobs.find((one) => one.id === id)?.steps ?? [];
  const pass = steps.find(({ wants, ways }) => wants?.press && ways.length > 0);
  if (!pass || id === undefined) return;
  const enter = (event: RoomEntry): Promise<unknown> => enterEvent(bench, manager, id, event);
  for (const carrier of pass.wants?.press?.carriers ?? []) {
    await enter({ kind: 'carrier', carrier, state: 'made' });
    await enter({ kind: 'inspection', carrier, faults: [] });
  }
  for (const ink of pass.wants?.press?.inks ?? [])
    await enter({ kind: 'trial', ink, aim: GREY, measured: GREY, tolerance: 2, accepted: true });
  await enter({ kind: 'press-start', step: pass.id });
}
const GREY = { l: 50, a: 0, b: 0 };

/** Paper for all of them but the last that are due, of the paper that most of them want. */
async function layInPaper(bench: Bench, manager: Account, made: readonly number[]): Promise<void> {
  const { problem } = await readFloor(bench);
  const wanted = new Map<string, number[]>();
  for (const { id, steps } of problem.jobs) {
    const papers = new Map(
      steps.flatMap(({ wants }) => (wants?.paper ? [[wants.paper.key, wants.paper.quantity]] : [])),
    );
    if (made.includes(id))
      for (const [key, quantity] of papers) wanted.set(key, [...(wanted.get(key) ?? []), quantity]);
  }
  const most = Math.max(...[...wanted.values()].map(({ length }) => length));
  for (const [key, quantities] of wanted) {
    const [, stock = '', size = '', grain] = key.split('/');
    const [widthMm = 0, heightMm = 0] = size.split('x').map(Number);
    const lies = quantities.length === most ? quantities.slice(1) : quantities;
    await addHolding(bench.database, manager, {
      paper: { stock, widthMm, heightMm, grain: grain === 'width' ? 'width' : 'height' },
      quantity: Math.ceil(lies.reduce((sum, one) => sum + one, 0)),
      place: 'Aisle F',
      reason: 'for the jobs of the coming weeks',
    });
  }
}

/** Crowds the demo's floor, once: hours, some thirty small jobs in several states, and a schedule in force. */
export async function loadFloor({ database, workshop }: Bench): Promise<void> {
  const bench = { database, workshop: patient(workshop) };
  if (await database.one('floor/hours')) return;
  const manager = await demoManager(database);
  if (!manager) return;
  const today = dayIn(new Date(), (await currentWorks(database)).timeZone);
  await database.one('floor/put-hours', JSON.stringify(demoHours(today)), manager.id);
  const made: number[] = [];
  for (const { job, released } of floorExamples(exampleJob, today)) {
    const { id, version } = await createJob(bench, manager, job);
    const mark = (await currentWorks(database)).mark ?? 0;
    if (!released) continue;
    await release(bench, manager, id, { version, mark });
    made.push(id);
    // Of some the artwork is not approved yet.
    if (made.length % NOT_APPROVED === 0) continue;
    for (const { id: component } of job.components)
      await enterEvent(bench, manager, id, { kind: 'artwork', component, approved: true });
  }
  while ((await readFloor(bench)).waiting > 0);
  await layInPaper(bench, manager, made);
  await begin(bench, manager, made[0]);
  await askForPlan(database, manager, { effort: 'quick', seed: 1 });
  while ((await openRun(database))?.problem === null) await wait(LOOK_MS);
  const trial = await readSchedule(database, 'trial', '');
  if (trial) await takeNow(bench, trial.id);
}
