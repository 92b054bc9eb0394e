import type { StepTime, TimeContext } from './step-time.js';

/** Hours of the longest way from paper to the end of each step, as figures; returns the longest of all. */
export function leadFigures({ book, job, flow }: TimeContext, steps: ReadonlyMap<string, StepTime>): number {
  const lead = new Map<string, { hours: number; id: string }>();
  // What two runs or two machines make together is there when the later one is through.
  const makers = new Map<string, string[]>();
  for (const { step } of flow.steps)
    for (const { material } of step.outputs) makers.set(material, [...(makers.get(material) ?? []), step.id]);
  for (const { step } of [...flow.steps].reverse()) {
    const before = step.inputs.flatMap(({ material }) =>
      (makers.get(material) ?? []).flatMap((id) => lead.get(id) ?? []),
    );
    const time = steps.get(step.id) ?? { hours: 0, lagHours: 0 };
    const own = time.hours + time.lagHours;
    const inputs: Record<string, string> = {};
    before.forEach(({ id }, i) => (inputs[`before${i + 1}`] = id));
    const figures = book.figures;
    const ownId = figures[`step.${step.id}.hours`] ? `step.${step.id}.hours` : `step.${step.id}.lag`;
    if (figures[ownId]) inputs['own'] = ownId;
    const names = Object.keys(inputs).filter((name) => name !== 'own');
    const longest = names.length === 0 ? '0' : names.length === 1 ? names.join() : `max(${names.join(', ')})`;
    const hours = Math.max(0, ...before.map((b) => b.hours)) + own;
    const id = book.reckon(
      `step.${step.id}.lead`,
      'Done after',
      hours,
      'h',
      figures[ownId] ? `${longest} + own` : longest,
      inputs,
    );
    lead.set(step.id, { hours, id });
  }
  const ends = flow.steps
    .filter(({ downstream }) => downstream.consumers.length === 0)
    .map(({ step }) => `step.${step.id}.lead`);
  const inputs = Object.fromEntries(ends.map((id, i) => [`end${i + 1}`, id]));
  const hours = Math.max(0, ...ends.map((id) => book.value(id)));
  if (job.route.length > 0)
    book.reckon(
      'total.leadHours',
      'First sheet to last box',
      hours,
      'h',
      ends.length === 1 ? 'end1' : `max(${Object.keys(inputs).join(', ')})`,
      inputs,
    );
  return hours;
}
