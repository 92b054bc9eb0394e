import type { Operation, RuleId } from '../route/index.js';
import type { Station } from './facts.js';
import type { Found } from './finding.js';
import { DRY_BEFORE, comesWet } from './wet.js';
import { type Predicate, is } from './predicate.js';

const sameLane = (one: Station, other: Station): boolean => one.step.component === other.step.component;

/** What has to be dry when it comes to a station of the rule. */
const dryBefore =
  (rule: keyof typeof DRY_BEFORE): Predicate =>
  (facts) =>
    facts.stations
      .filter((station) => is(station, ...DRY_BEFORE[rule]) && comesWet(facts, station))
      .map(({ step }) => ({ step: step.id, mend: { kind: 'insert', operation: 'dry', before: step.id } }));

/** In one lane, stations of the first kind stand before those of the second. */
export const inOrder =
  (first: readonly Operation[], then: readonly Operation[]): Predicate =>
  ({ stations }) =>
    stations.flatMap((station): Found[] => {
      if (!is(station, ...first)) return [];
      const early = station.before.filter((one) => is(one, ...then) && sameLane(one, station));
      const target = early.find((one) => early.every((other) => other === one || other.before.includes(one)));
      return target
        ? [{ step: station.step.id, mend: { kind: 'move', step: station.step.id, before: target.step.id } }]
        : [];
    });

/** Behind a station of the first kind, one of the second has to come before the third. */
const between =
  (first: Operation, wanted: Operation, then: readonly Operation[]): Predicate =>
  ({ stations }) =>
    stations.flatMap((station): Found[] => {
      const open = is(station, ...then) && opensTo(station, first, wanted);
      // The first of them that comes is told; those behind it are mended with it.
      const told = station.before.some((one) => is(one, ...then) && opensTo(one, first, wanted));
      return open && !told
        ? [{ step: station.step.id, mend: { kind: 'insert', operation: wanted, before: station.step.id } }]
        : [];
    });

/** Whether a way back from a station meets one operation before the other. */
const opensTo = ({ makers }: Station, first: Operation, wanted: Operation): boolean =>
  makers.some((maker) => !is(maker, wanted) && (is(maker, first) || opensTo(maker, first, wanted)));

/** A fold that takes a whole sheet of several pieces. */
const cutFirst: Predicate = ({ stations }) =>
  stations.flatMap((station): Found[] => {
    const { step, layout, incoming } = station;
    const several = layout !== undefined && layout.pattern.count > 1 && incoming[0]?.material.unit === 'sheet';
    return is(station, 'fold') && several
      ? [{ step: step.id, mend: { kind: 'insert', operation: 'cut', before: step.id } }]
      : [];
  });

/** A blank that is glued before it is cut out. */
const dieFirst: Predicate = ({ stations }) =>
  stations.flatMap((station): Found[] => {
    const { step, layout, before, behind } = station;
    const blank = is(station, 'glue', 'envelope', 'window') && layout?.component.kind === 'blank';
    if (!blank || before.some((one) => is(one, 'die-cut'))) return [];
    const late = behind.find((one) => is(one, 'die-cut') && sameLane(one, station));
    return [
      {
        step: step.id,
        mend: late
          ? { kind: 'move', step: late.step.id, before: step.id }
          : { kind: 'insert', operation: 'die-cut', before: step.id },
      },
    ];
  });

/** A block that is cased in without being sewn or glued. */
const sewn: Predicate = ({ stations }) =>
  stations.flatMap((station): Found[] => {
    if (!is(station, 'case-in') || station.before.some((one) => is(one, 'sew', 'bind'))) return [];
    const gather = station.before.find((one) => is(one, 'gather'));
    const next = gather?.behind.find(({ makers }) => makers.includes(gather)) ?? station;
    return [{ step: station.step.id, mend: { kind: 'insert', operation: 'sew', before: next.step.id } }];
  });

const inspectFirst: Predicate = ({ stations }) =>
  stations.flatMap((station): Found[] =>
    is(station, 'number') && !station.before.some((one) => is(one, 'inspect'))
      ? [{ step: station.step.id, mend: { kind: 'insert', operation: 'inspect', before: station.step.id } }]
      : [],
  );

/** Numbered work that is packed without having been counted. */
const counted: Predicate = ({ stations }) =>
  stations.flatMap((station): Found[] => {
    const packs = is(station, 'wrap', 'band', 'box');
    const numbered = station.before.some((one) => is(one, 'number'));
    const done = station.before.some((one) => is(one, 'count'));
    const first = !station.before.some((one) => is(one, 'wrap', 'band', 'box'));
    return packs && numbered && !done && first
      ? [{ step: station.step.id, mend: { kind: 'insert', operation: 'count', before: station.step.id } }]
      : [];
  });

/** Items of a form that all meet the same station after they have been parted. */
const partLate: Predicate = ({ stations, job }) =>
  stations.flatMap((station): Found[] => {
    const items = station.layout?.form.length ?? 0;
    if (!is(station, 'cut') || items < 2) return [];
    const next = stations.filter(({ makers }) => makers.includes(station));
    const [first] = next;
    const alike = first && next.length === items && next.every(({ step }) => step.operation === first.step.operation);
    const whole: readonly Operation[] = ['coat', 'laminate', 'foil', 'emboss', 'number'];
    return alike && whole.includes(first.step.operation) && (job.items?.length ?? 0) > 1
      ? [{ step: first.step.id }]
      : [];
  });

/** Rules about what comes before what. */
export const ORDER_PREDICATES = {
  'dry-before-back-up': dryBefore('dry-before-back-up'),
  'dry-before-cut': dryBefore('dry-before-cut'),
  'dry-before-die': dryBefore('dry-before-die'),
  'dry-before-fold': dryBefore('dry-before-fold'),
  'dry-before-film': dryBefore('dry-before-film'),
  'hand-after-wet': dryBefore('hand-after-wet'),
  'coat-before-die': inOrder(['coat', 'laminate'], ['die-cut']),
  'foil-after-film': inOrder(['laminate'], ['foil']),
  'foil-before-die': inOrder(['foil', 'emboss'], ['die-cut']),
  'emboss-after-foil': inOrder(['foil'], ['emboss']),
  'window-before-glue': inOrder(['window'], ['glue']),
  'split-before-trim': inOrder(['split'], ['trim']),
  'number-before-cut': inOrder(['number'], ['cut']),
  'cool-before-trim': between('bind', 'cool', ['split', 'trim', 'cut']),
  'cut-before-fold': cutFirst,
  'die-before-glue': dieFirst,
  'sew-before-case': sewn,
  'number-after-inspection': inspectFirst,
  'count-accountable': counted,
  'gang-parts-late': partLate,
} as const satisfies Partial<Record<RuleId, Predicate>>;
