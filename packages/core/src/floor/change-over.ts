import type { InkSpec } from '../job/index.js';
import type { InkKind } from '../press/index.js';
import type { NormLookup } from '../norms/index.js';
import type { MachineProcess } from '../route/index.js';

/** An ink in a unit of a press. */
export interface DressInk {
  readonly unit: number;
  readonly name: string;
  readonly kind: InkKind;
  /** Colour that it is mixed to, L*a*b*; absent where none is told. */
  readonly aim?: InkSpec['aim'];
}

/** What a machine is dressed with while a station runs: what the next set-up depends on. */
export interface Dress {
  readonly process: MachineProcess;
  readonly inks: readonly DressInk[];
  /** Longer side and shorter side of what runs, mm. */
  readonly sizeMm: readonly [number, number];
  readonly stock: string;
  readonly caliperUm: number;
  /** How it is folded; empty elsewhere. */
  readonly fold: string;
  /** Glue that it is filled with; empty elsewhere. */
  readonly glue: string;
  /** Die or other tool that only this work has; empty where there is none. */
  readonly tool: string;
}

/** One thing that has to be changed. */
export interface ChangePart {
  readonly what: 'wash' | 'size' | 'stock' | 'thickness' | 'fold' | 'fold size' | 'die' | 'glue' | 'format';
  readonly norm: string;
  readonly times: number;
  readonly hours: number;
}

/** Norms of what a binder saves in its set-up where the format stays. */
export const BINDER_FORMAT = 'change.binderFormat';
export const BINDERS: readonly MachineProcess[] = ['binder'];

const SPECIAL: readonly InkKind[] = ['metallic', 'white', 'ground'];
const VARNISH: readonly InkKind[] = ['varnish', 'coating'];
/** Process colours from light to dark; what is mixed stands between. Source: common practice, no source. */
const DARKNESS = new Map([
  ['Y', 0],
  ['M', 2],
  ['C', 3],
  ['K', 5],
]);
const darknessOf = ({ name, kind }: DressInk): number => (kind === 'process' ? (DARKNESS.get(name) ?? 1) : 1);

/** What a unit's wash-up from one ink to another costs: a norm; undefined where nothing is washed. */
function washNorm(before: DressInk, after: DressInk): string | undefined {
  if (before.name === after.name) return undefined;
  if (VARNISH.includes(before.kind) && VARNISH.includes(after.kind)) return 'change.varnish';
  if (SPECIAL.includes(before.kind) || SPECIAL.includes(after.kind)) return 'change.washMetallic';
  return darknessOf(before) < darknessOf(after) ? 'change.washToDark' : 'change.washToLight';
}

/** A unit of a press that changes its ink. */
export interface Wash {
  readonly from: DressInk;
  readonly to: DressInk;
  /** What it costs. */
  readonly norm: string;
}

/** Units that are washed from one dress to the next. */
export const washesOf = (before: Dress | undefined, after: Dress): Wash[] =>
  after.inks.flatMap((to) => {
    const from = before?.inks.find(({ unit }) => unit === to.unit);
    const norm = from && washNorm(from, to);
    return from && norm !== undefined ? [{ from, to, norm }] : [];
  });

/** Calipers that differ by more are of another class. Source: common practice, no source. */
const THICKNESS_CLASS = 1.25;
const PRESSES: readonly MachineProcess[] = ['sheet-fed', 'web', 'narrow-web'];
const sameSize = ([a, b]: Dress['sizeMm'], [c, d]: Dress['sizeMm']): boolean =>
  Math.abs(a - c) < 1 && Math.abs(b - d) < 1;

/** Norms that a change from one dress to another takes, each with how many times. */
function wantedParts(before: Dress, after: Dress): [ChangePart['what'], string, number][] {
  const parts: [ChangePart['what'], string, number][] = [];
  const size = !sameSize(before.sizeMm, after.sizeMm);
  const washes = new Map<string, number>();
  for (const { norm } of washesOf(before, after)) washes.set(norm, (washes.get(norm) ?? 0) + 1);
  for (const [norm, times] of washes) parts.push(['wash', norm, times]);
  if (PRESSES.includes(after.process)) {
    if (size) parts.push(['size', 'change.size', 1]);
    const ratio =
      Math.max(before.caliperUm, after.caliperUm) / Math.max(1, Math.min(before.caliperUm, after.caliperUm));
    if (before.stock !== after.stock)
      parts.push(ratio > THICKNESS_CLASS ? ['thickness', 'change.thickness', 1] : ['stock', 'change.stock', 1]);
  }
  if (after.fold !== '') {
    if (before.fold !== after.fold) parts.push(['fold', 'change.fold', 1]);
    else if (size) parts.push(['fold size', 'change.foldSize', 1]);
  }
  if (after.tool !== '' && before.tool !== after.tool) parts.push(['die', 'change.die', 1]);
  if (before.glue !== '' && after.glue !== '' && before.glue !== after.glue) parts.push(['glue', 'change.glue', 1]);
  if (BINDERS.includes(after.process) && size) parts.push(['format', BINDER_FORMAT, 1]);
  return parts;
}

/**
 * What has to be changed on a machine from one dress to the next, beside the set-up that the next takes anyhow. Nothing is asked of an empty machine,
 * but a binder's format. Source: handbook chapter 8 (practice).
 */
export function changeOver(before: Dress | undefined, after: Dress, norms: NormLookup): ChangePart[] {
  const wanted: [ChangePart['what'], string, number][] = before
    ? wantedParts(before, after)
    : BINDERS.includes(after.process)
      ? [['format', BINDER_FORMAT, 1]]
      : [];
  return wanted.map(([what, norm, times]) => ({ what, norm, times, hours: times * norms(norm).value }));
}

/** Whole minutes of a change. */
export const changeMinutes = (parts: readonly ChangePart[]): number =>
  Math.max(0, Math.ceil(parts.reduce((sum, { hours }) => sum + hours, 0) * 60 - 1e-9));
