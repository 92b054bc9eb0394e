import { startJob } from '../start/index.js';
import { SHIPPED_WORKS } from '../works/index.js';
import { answersOf } from '../families/families.fixture.js';
import type { FamilyAnswers } from '../families/index.js';
import type { Job } from '../job/index.js';
import { type Plan, plan } from './plan.js';

const packet = (change: Partial<FamilyAnswers> = {}): Job => {
  const { job, issues } = startJob(
    'envelope',
    {
      ...answersOf('envelope'),
      press: 'envelope-web',
      quantity: 500_000,
      die: { kind: 'structure', structure: 'packet', depthMm: 114 },
      ...change,
    },
    SHIPPED_WORKS,
  );
  expect(issues).toEqual([]);
  return job;
};
function planned(job: Job): Plan {
  const outcome = plan(job, SHIPPED_WORKS);
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.issues));
  return outcome.value;
}
const hoursOf = (made: Plan): Record<string, number> =>
  Object.fromEntries(made.steps.map(({ id, hours }) => [id, hours]));

describe('envelopes on the web', () => {
  it('runs everything to the count on one machine: no other set-up, hours, spoils or waits (literature: handbook chapter 2, family 10)', () => {
    const made = planned(packet());
    expect(made.steps.map(({ id }) => id)).toEqual(['print-packet', 'die-cut', 'envelope', 'gum', 'count', 'box']);
    const inLine = ['die-cut', 'envelope', 'gum', 'count'];
    for (const id of inLine) {
      const step = made.steps.find((one) => one.id === id);
      expect(step?.machine).toBe('envelope-web');
      expect(step).toMatchObject({ hours: 0, lagHours: 0, waitHours: 0 });
      expect(made.figures[`step.${id}.setup`]?.value).toBe(0);
      expect(made.figures[`step.${id}.running`]?.value).toBe(0);
    }
    // Gum is dried before the packet leaves the machine: nothing lies before the box.
    expect(made.steps.at(-1)?.waitHours).toBe(0);
  });

  it('counts repeats: 60,000 an hour after 2 h of set-up (literature: handbook chapter 8)', () => {
    const made = planned(packet());
    const { pattern, sheet } = made.layouts['packet'] ?? {};
    const [a, b] = pattern?.pieces ?? [];
    // Two blanks of 157.5 x 183.216 mm lie 4 mm apart on a roll of 330 mm; the repeat keeps 4 mm at the join.
    expect(pattern?.count).toBe(2);
    expect((b?.xMm ?? 0) - (a?.xMm ?? 0) - (a?.widthMm ?? 0)).toBeCloseTo(4, 6);
    expect(sheet).toEqual({ widthMm: 330, heightMm: Math.ceil((a?.heightMm ?? 0) + 4), grain: 'height' });
    const repeats = made.figures['step.print-packet.processUnits']?.value ?? 0;
    expect(repeats).toBeGreaterThan(250_000);
    expect(hoursOf(made)['print-packet']).toBeCloseTo(2 + repeats / 60_000, 9);
  });

  it('buys the glue and the gum that the line lays, and the roll that it runs (identity)', () => {
    const made = planned(packet());
    expect(made.figures['step.envelope.use.glue']?.value).toBeGreaterThan(0);
    expect(made.figures['step.gum.use.gum']?.value).toBeGreaterThan(0);
    const webM = made.figures['component.packet.webM']?.value ?? 0;
    expect(webM).toBeCloseTo(((made.figures['step.print-packet.processUnits']?.value ?? 0) * 188) / 1000, 3);
  });

  it('takes a station off the line where the job names a machine for it', () => {
    const job = packet();
    const off: Job = {
      ...job,
      route: job.route.map((step) => (step.id === 'count' ? { ...step, machine: 'hand-bench' } : step)),
    };
    const [on, apart] = [planned(job), planned(off)];
    expect(hoursOf(apart)['count']).toBeGreaterThan(1);
    expect(hoursOf(apart)['print-packet']).toBeCloseTo(hoursOf(on)['print-packet'] ?? 0, 2);
  });

  it('refuses the line for what another press has printed', () => {
    const { job } = startJob('envelope', answersOf('envelope'), SHIPPED_WORKS);
    const cut = job.route.findIndex(({ operation }) => operation === 'die-cut');
    const wrong = {
      ...job,
      route: job.route.map((step, i) => (i === cut ? { ...step, machine: 'envelope-web' } : step)),
    };
    const outcome = plan(wrong, SHIPPED_WORKS);
    expect(outcome.ok ? [] : outcome.issues.map(({ code, path }) => [code, path])).toEqual([
      ['job.machine-cannot', `route[${cut}].machine`],
    ]);
  });

  it('rivets buttons behind the line, and counts by hand then', () => {
    const made = planned(packet({ closure: 'string', quantity: 5000 }));
    const machines = Object.fromEntries(made.steps.map(({ id, machine }) => [id, machine]));
    expect(machines).toMatchObject({ envelope: 'envelope-web', rivet: 'riveter', count: 'hand-bench' });
  });
});
