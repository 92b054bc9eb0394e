import { type NormLookup, baseId, mayScope, normById, scopedId } from '../norms/index.js';
import type { Works } from '../works/index.js';
import type { StepOutcome } from './outcome.js';
import type { NormUse } from './step-norms.js';

/** A station that is through, in the book. */
export interface ClosedStep {
  /** Number of the entry that closed it first. */
  readonly entry: number;
  readonly job: number;
  readonly number: string;
  /** ISO 8601. */
  readonly closed: string;
  readonly outcome: StepOutcome;
}

/** What the log says something of. */
export const LEARNED = ['running', 'set-up', 'set-up time', 'efficiency', 'spread'] as const;
/** One of these. */
export type Learned = (typeof LEARNED)[number];

/** What one run says of a norm. */
export interface Evidence {
  readonly kind: Learned;
  /** Norm that it is evidence for. */
  readonly norm: string;
  readonly from: ClosedStep;
  /** What the norm would have had to be for this run. */
  readonly value: number;
  /** What ran: process units, set-ups, hours. */
  readonly amount: number;
  /** What of it counts. */
  readonly weight: number;
}

/** What an amount counts for, at most. */
export interface LearnWeights {
  /** Of the norm itself, and the most of one run: process units. */
  readonly units: number;
  readonly unitsCap: number;
  /** Set-ups. */
  readonly setUps: number;
  /** Hours of the run. */
  readonly hours: number;
  readonly hoursCap: number;
  /** Least change that is proposed, a share of the norm. */
  readonly least: number;
}

/** The house's own. Source: norms of the works, handbook chapter 9 "Learning the norms". */
export const learnWeights = (norms: NormLookup): LearnWeights => ({
  units: norms('learn.units').value,
  unitsCap: norms('learn.unitsCap').value,
  setUps: norms('learn.setUps').value,
  hours: norms('learn.hours').value,
  hoursCap: norms('learn.hoursCap').value,
  least: norms('learn.least').value,
});

/** Losses that a web has norms of their own for, by its spoilage. */
const APART: Readonly<Record<string, readonly string[]>> = {
  'spoil.print-web.running': ['splice', 'web break', 'wash-up'],
  'spoil.print-narrow.running': ['splice'],
  'spoil.print-gravure.running': ['splice'],
};

/**
 * The norm that a run is evidence for: the one that it was planned with where the works tells it apart, otherwise that norm of the
 * machine. Undefined where the works has none such any more.
 */
function targetOf(works: Works, { norm }: NormUse, machine: string | null): string | undefined {
  const found = normById(works, norm);
  if (!found) return undefined;
  if (norm !== baseId(norm) || machine === null || !mayScope(found)) return norm;
  const apart = scopedId(norm, `machine=${machine}`);
  return normById(works, apart) ? apart : undefined;
}

/** What the norm would have had to be: beside it everything else as it was planned. */
const impliedBy = ({ value, planned, each }: NormUse, happened: number): number =>
  Math.max(0, value + (happened - planned) * each);

/** What a run says of the share that it spoils. */
function ofRunning({ outcome }: ClosedStep): { readonly value: number; readonly amount: number } | undefined {
  const { norms, happened } = outcome;
  const use = norms.running;
  if (!use || !happened.balanced || happened.units <= 0) return undefined;
  const apart = (APART[baseId(use.norm)] ?? []).reduce((sum, reason) => sum + (happened.spoils.run[reason] ?? 0), 0);
  const spoils = Math.max(0, happened.runSpoils - apart);
  const ran = happened.units - apart;
  const of = norms.ofNet ? ran - spoils : ran;
  return of > 0 ? { value: Math.min(1, impliedBy(use, spoils / of)), amount: ran } : undefined;
}

/** What a run says of the efficiency of its machine: hours at the rated speed, of those that it took with its own stops. */
function ofEfficiency({ outcome }: ClosedStep): { readonly value: number; readonly amount: number } | undefined {
  const { norms, happened, planned } = outcome;
  const use = norms.efficiency;
  const units = planned.units + planned.setUpSpoils;
  const took = happened.runHours + happened.ownStopHours;
  if (!use || !happened.timed.run || units <= 0 || took <= 0) return undefined;
  const rated = ((use.planned * use.value) / units) * happened.units;
  return rated > 0 ? { value: rated / took, amount: rated } : undefined;
}

/** All that a closed station is evidence of. */
export function evidenceOf(works: Works, closed: ClosedStep, weights: LearnWeights): Evidence[] {
  const { machine, norms, happened } = closed.outcome;
  const say = (
    kind: Learned,
    use: NormUse | undefined,
    said: { readonly value: number; readonly amount: number } | undefined,
    cap: number,
  ): Evidence[] => {
    const norm = use && said && targetOf(works, use, machine);
    return norm === undefined || !said
      ? []
      : [{ kind, norm, from: closed, ...said, weight: Math.min(said.amount, cap) }];
  };
  const setUp =
    norms.setUp && happened.balanced && happened.units > 0 ? impliedBy(norms.setUp, happened.setUpSpoils) : undefined;
  const hours = norms.setUpHours && happened.timed.setUp ? impliedBy(norms.setUpHours, happened.setUpHours) : undefined;
  return [
    ...say('running', norms.running, ofRunning(closed), weights.unitsCap),
    ...say('set-up', norms.setUp, setUp === undefined ? undefined : { value: setUp, amount: 1 }, 1),
    ...say('set-up time', norms.setUpHours, hours === undefined ? undefined : { value: hours, amount: 1 }, 1),
    ...say('efficiency', norms.efficiency, ofEfficiency(closed), weights.hoursCap),
  ];
}
