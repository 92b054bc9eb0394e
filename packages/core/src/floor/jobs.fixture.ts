import type { Works } from '../works/index.js';
import { example, planned } from '../plan/examples.fixture.js';
import type { FloorJob } from './floor-shop.js';
import { floorSteps } from './steps.js';

/** Example jobs as the floor has them, from number 1 on, due on one day. */
export const floorJobs = (names: readonly string[], works: Works, due: string): FloorJob[] =>
  names.map((name, i) => {
    const job = example(name);
    const { number, title, customer } = job;
    const steps = floorSteps(job, works, planned(job));
    return { id: i + 1, number, title, customer, due, weight: 1, steps, done: [], begun: [] };
  });
