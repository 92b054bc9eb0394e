import { dayIn } from '@druckerei/contract';
import { planFloorNow, takeNow } from '../features/floor/floor.js';
import { readFloor } from '../features/floor/read-floor.js';
import type { Bench } from '../features/jobs/bench.js';
import { createJob, release } from '../features/jobs/write-job.js';
import { currentWorks } from '../features/works/works.js';
import { demoHours, floorExamples } from './demo-floor.js';
import { demoManager, exampleJob, patient } from './load-demo.js';

/** Crowds the demo's floor, once: hours, some thirty small jobs in several states, and a schedule in force. */
export async function loadFloor({ database, workshop }: Bench): Promise<void> {
  const bench = { database, workshop: patient(workshop) };
  if (await database.one('floor/hours')) return;
  const manager = await demoManager(database);
  if (!manager) return;
  const today = dayIn(new Date(), (await currentWorks(database)).timeZone);
  await database.one('floor/put-hours', JSON.stringify(demoHours(today)), manager.id);
  for (const { job, released } of floorExamples(exampleJob, today)) {
    const { id, version } = await createJob(bench, manager, job);
    const mark = (await currentWorks(database)).mark ?? 0;
    if (released) await release(bench, manager, id, { version, mark });
  }
  while ((await readFloor(bench)).waiting > 0);
  const { id } = await planFloorNow(bench, manager, { effort: 'quick', seed: 1 });
  await takeNow(bench, id);
}
