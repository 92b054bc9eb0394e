import type { Station } from './facts.js';

/** Whether ink comes wet off a station. Digital prints and webs are dry at the delivery. Source: handbook chapter 5. */
function laysWetInk({ step, layout, machine }: Station): boolean {
  if (step.operation === 'overprint') return true;
  if (step.operation !== 'print' || !layout) return false;
  const { press } = machine ?? {};
  return press !== undefined && press.plateless !== true && press.web === undefined && press.printing !== 'flexo';
}

const DRIES = ['dry', 'raise', 'outside', 'press'];

/** Whether something wet comes to a station: printed before it, with no drying in between. */
export function comesWet(station: Station): boolean {
  return station.makers.some((maker) => {
    if (DRIES.includes(maker.step.operation)) return false;
    return laysWetInk(maker) || comesWet(maker);
  });
}
