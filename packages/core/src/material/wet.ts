import type { Drying } from '../press/index.js';
import { type DryFor, type Operation, OPERATION_RULES } from '../route/index.js';
import type { NormLookup } from '../norms/index.js';

/** What lies wet on a material. */
export type WetKind = 'ink' | 'film' | 'glue' | 'lamination' | 'gum' | 'hot-melt' | 'pur' | 'paste';

/** Something that is not dry yet: what it is, how heavy, on what, since which station, and how long it has lain. */
export interface Wet {
  readonly kind: WetKind;
  readonly drying: Drying;
  /** Share of the side that its inks cover together; 0 for glue. */
  readonly coverage: number;
  readonly heavy: boolean;
  readonly coated: boolean;
  readonly powder: boolean;
  /** Station that laid it. */
  readonly since: string;
  /** Hours that it has lain since. */
  readonly lainHours: number;
  /** A station has let it lie: it is no longer a surprise to what comes. */
  readonly stood: boolean;
}

const HEAVY = '.heavy';

/** Norm of the hours that ink wants before a stage; undefined where it is dry at once. */
function inkNorm({ drying, coated, heavy }: Wet, stage: DryFor): string | undefined {
  if (stage === 'none') return undefined;
  if (drying === 'fast-setting') return `dry.fast.${stage === 'side' ? 'side' : 'later'}`;
  if (drying !== 'oxidative') return undefined;
  const before = stage === 'handle' ? 'cut' : stage;
  return `dry.${coated ? 'coated' : 'uncoated'}.${before}${heavy ? HEAVY : ''}`;
}

/** Norm of the time that something wet wants before an operation, and how many of it make an hour. */
export function wantedNorm(
  wet: Wet,
  operation: Operation,
): { readonly norm: string; readonly perHour: number } | undefined {
  const stage = OPERATION_RULES[operation].dryFor;
  const hours = (norm: string | undefined) => (norm === undefined ? undefined : { norm, perHour: 1 });
  if (stage === 'none') return undefined;
  switch (wet.kind) {
    case 'ink':
      return hours(inkNorm(wet, stage));
    case 'film':
      return stage === 'handle' ? undefined : hours('film.hours');
    case 'lamination':
      return hours('mount.hours');
    case 'glue':
      return hours('glue.dryHours');
    case 'gum':
      return hours('gum.dryHours');
    case 'hot-melt':
      return stage === 'cut' || stage === 'handle' ? { norm: 'bind.coolMinutes', perHour: 60 } : undefined;
    case 'pur':
      return stage === 'handle' ? hours('bind.purHours') : { norm: 'bind.coolMinutes', perHour: 60 };
    case 'paste':
      return stage === 'handle' ? hours('press.hours') : undefined;
  }
}

/** Hours that something wet wants before an operation, told whole, whatever it has lain. @returns 0 or more. */
export function wantedHours(wet: Wet, operation: Operation, norms: NormLookup): number {
  if (wet.kind === 'ink' && norms('dry.byTouch').value === 1) return 0;
  const wanted = wantedNorm(wet, operation);
  return wanted ? norms(wanted.norm).value / wanted.perHour : 0;
}

/** What of the time that an operation wants is not over yet, and the wet thing that wants most; undefined where all is dry. */
export function waitsFor(
  wet: readonly Wet[],
  operation: Operation,
  norms: NormLookup,
): { readonly wet: Wet; readonly hours: number } | undefined {
  const left = wet.map((one) => ({ wet: one, hours: wantedHours(one, operation, norms) - one.lainHours }));
  const [most] = left.filter(({ hours }) => hours > 0).sort((a, b) => b.hours - a.hours);
  return most;
}

/** Everything wet after so many hours more. @param stood a station let it lie. */
export const lain = (wet: readonly Wet[], hours: number, stood: boolean): readonly Wet[] =>
  hours === 0 && !stood
    ? wet
    : wet.map((one) => ({ ...one, lainHours: one.lainHours + hours, stood: one.stood || stood }));
