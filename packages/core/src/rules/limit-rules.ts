import { foldUnits } from '../imposition/index.js';
import { type Job, foldUnitsOf } from '../job/index.js';
import { GRAMS, UM, tenth } from '../kernel/index.js';
import { blockAndCover, stacked } from '../material/index.js';
import { OPERATION_RULES, type RuleId } from '../route/index.js';
import { type Machine, type MachineTakes, inUse } from '../works/index.js';
import type { RouteFacts, Station } from './facts.js';
import type { Found, Mend } from './finding.js';
import { type Predicate, is } from './predicate.js';

/** Longer and shorter side of what comes. */
const sides = (station: Station): readonly [number, number] => {
  const { incoming, layout } = station;
  // Labels are parted by their liner: the web runs through whole.
  const { widthMm = 0, heightMm = 0 } = (is(station, 'convert') ? layout?.sheet : incoming[0]?.material) ?? {};
  return [Math.max(widthMm, heightMm), Math.min(widthMm, heightMm)];
};
/** Thickness of everything that comes for one, micrometres. */
function thickness(station: Station): number {
  const { incoming, made } = station;
  // What is put together is held as it leaves; boards lie beside each other on their cloth.
  if (is(station, 'gather', 'stitch', 'bind', 'kit', 'case', 'case-in')) return made?.caliperUm ?? 0;
  return incoming.reduce((sum, { material, usage }) => sum + material.caliperUm * usage, 0);
}

const sizeFits = (station: Station, { maxMm, minMm }: MachineTakes): boolean => {
  const [long, short] = sides(station);
  return (
    long <= Math.max(...maxMm) &&
    short <= Math.min(...maxMm) &&
    long >= Math.max(...minMm) &&
    short >= Math.min(...minMm)
  );
};
const caliperFits = (station: Station, { minCaliperUm, maxCaliperUm }: MachineTakes): boolean => {
  const um = thickness(station);
  return um >= minCaliperUm && um <= maxCaliperUm;
};

/** Everything that comes for one, g. */
const mass = ({ incoming }: Station): number =>
  incoming.reduce((sum, { material, usage }) => sum + material.massG * usage, 0);
const massFits = (station: Station, { maxG = Infinity }: MachineTakes): boolean => mass(station) <= maxG;

/** Whether the grain runs along the side that the machine wants; a square takes either. */
function grainFits({ incoming }: Station, { grain }: MachineTakes): boolean {
  const piece = incoming[0]?.material;
  if (grain === undefined || !piece || piece.widthMm === piece.heightMm) return true;
  const long = piece.widthMm > piece.heightMm ? 'width' : 'height';
  return (piece.grain === long) === (grain === 'long');
}

/** Folds that a folder cannot make, the limit that they break: in one of its units, or turned once more than it has units behind. */
function foldsBeyond(
  { step, layout }: Station,
  { parallelFolds = Infinity, crossFolds = Infinity }: MachineTakes,
  { finish }: Job,
): Pick<Found, 'value' | 'limit'> | undefined {
  const scheme = layout?.section?.scheme;
  const units = scheme ? foldUnits(scheme.folds) : foldUnitsOf(finish?.fold, step.folds);
  if (!units || step.operation !== 'fold') return undefined;
  const [same, turns] = [Math.max(...units), units.length - 1];
  if (same > parallelFolds) return { value: same, limit: parallelFolds };
  return turns > crossFolds ? { value: turns, limit: crossFolds } : undefined;
}

/** Another machine of the works that does the same and takes what comes. */
function otherMachine({ works, job }: RouteFacts, station: Station, machine: Machine): Mend | undefined {
  const other = inUse(works.machines).find(
    ({ id, process, takes, press }) =>
      id !== machine.id &&
      process === machine.process &&
      !press &&
      (!takes ||
        (sizeFits(station, takes) &&
          caliperFits(station, takes) &&
          massFits(station, takes) &&
          foldsBeyond(station, takes, job) === undefined &&
          grainFits(station, takes))),
  );
  return other && { kind: 'set', path: ['route', station.index, 'machine'], value: other.id };
}

/** What a machine does not take, with the limit that it breaks. */
const beyond =
  (
    fits: (station: Station, takes: MachineTakes) => boolean,
    said: (station: Station, takes: MachineTakes) => Pick<Found, 'value' | 'limit' | 'unit'>,
  ): Predicate =>
  (facts) =>
    facts.stations.flatMap((station): Found[] => {
      const { machine, step } = station;
      if (!machine?.takes || station.incoming.length === 0 || fits(station, machine.takes)) return [];
      return [{ step: step.id, ...said(station, machine.takes), mend: otherMachine(facts, station, machine) }];
    });

const size = beyond(sizeFits, (station, { maxMm, minMm }) => {
  const [long, short] = sides(station);
  const [most, least] = [
    [Math.max(...maxMm), Math.min(...maxMm)],
    [Math.max(...minMm), Math.min(...minMm)],
  ] as const;
  if (long > most[0]) return { value: tenth(long), limit: most[0], unit: 'mm' };
  if (short > most[1]) return { value: tenth(short), limit: most[1], unit: 'mm' };
  return long < least[0]
    ? { value: tenth(long), limit: least[0], unit: 'mm' }
    : { value: tenth(short), limit: least[1], unit: 'mm' };
});
const caliper = beyond(caliperFits, (station, { minCaliperUm, maxCaliperUm }) => {
  const um = thickness(station);
  return { value: tenth(um / UM), limit: (um > maxCaliperUm ? maxCaliperUm : minCaliperUm) / UM, unit: 'mm' };
});

const heavy = beyond(massFits, (station, { maxG = 0 }) => ({
  value: tenth(mass(station) / GRAMS),
  limit: maxG / GRAMS,
  unit: 'kg',
}));

const grain = beyond(grainFits, () => ({}));

const stations: Predicate = ({ stations: all }) =>
  all.flatMap((station): Found[] => {
    const limit = station.machine?.takes?.stations;
    const value = station.incoming.length;
    return is(station, 'gather', 'stitch', 'bind') && limit !== undefined && value > limit
      ? [{ step: station.step.id, value, limit, unit: 'sections' }]
      : [];
  });

const folds: Predicate = (facts) =>
  facts.stations.flatMap((station): Found[] => {
    const { machine, step, layout } = station;
    const broken = machine?.takes && foldsBeyond(station, machine.takes, facts.job);
    if (!machine || !broken) return [];
    const split: Mend | undefined = layout?.section && { kind: 'split-section', component: layout.component.id };
    return [{ step: step.id, ...broken, unit: 'folds', mend: otherMachine(facts, station, machine) ?? split }];
  });

const lift: Predicate = ({ stations: all, norms }) =>
  all.flatMap((station): Found[] => {
    const { step, incoming } = station;
    const one = incoming[0]?.material.massG ?? 0;
    const limit = norms('pack.handKg').value;
    const kg = ((step.perPack ?? 1) * one) / GRAMS;
    if (!is(station, 'box') || kg <= limit) return [];
    return [
      { step: step.id, value: tenth(kg), limit, unit: 'kg', mend: lighter(station, Math.floor((limit * GRAMS) / one)) },
    ];
  });

/** Fewer pieces in a box: whole packs, or a round number; packs that are too heavy themselves first. @param most that a person lifts. */
function lighter({ before, index }: Station, most: number): Mend | undefined {
  if (most < 1) return undefined;
  const packed = before.find((one) => is(one, 'band', 'wrap') && (one.step.perPack ?? 1) > 1);
  const inner = packed?.step.perPack ?? 1;
  if (packed && inner > most) return { kind: 'set', path: ['route', packed.index, 'perPack'], value: most };
  const round = inner > 1 ? inner : most > 20 ? 5 : 1;
  return { kind: 'set', path: ['route', index, 'perPack'], value: Math.floor(most / round) * round };
}

/** Text that comes to the binder, millimetres: everything but the cover. */
const spine: Predicate = ({ stations: all, norms }) =>
  all.flatMap((station): Found[] => {
    if (!is(station, 'bind')) return [];
    const mm = (stacked(blockAndCover(station.incoming).block)?.caliperUm ?? 0) / UM;
    const limit = norms('bind.leastSpine').value;
    return mm < limit ? [{ step: station.step.id, value: tenth(mm), limit, unit: 'mm' }] : [];
  });

const saddle: Predicate = ({ stations: all, norms }) =>
  all.flatMap((station): Found[] => {
    const value = tenth(thickness(station) / UM);
    const limit = norms('bind.saddleLimit').value;
    return is(station, 'stitch') && thickness(station) / UM > limit
      ? [{ step: station.step.id, value, limit, unit: 'mm' }]
      : [];
  });

/** A station that wants a machine, and has none. */
const missing: Predicate = ({ stations: all }) =>
  all.flatMap(({ step, machine }): Found[] =>
    machine === undefined && OPERATION_RULES[step.operation].process !== undefined ? [{ step: step.id }] : [],
  );

/** What is retired of a station: its machine, which another may stand for, or the paper that it begins with. */
const retired: Predicate = (facts) =>
  facts.stations.flatMap((station): Found[] => {
    const { machine, layout, step } = station;
    if (machine?.retired) return [{ step: step.id, mend: otherMachine(facts, station, machine) }];
    return is(station, 'print') && layout?.stock.retired ? [{ step: step.id }] : [];
  });

/** Rules about what a machine, a binding or a person takes. */
export const LIMIT_PREDICATES = {
  'machine-size': size,
  'machine-caliper': caliper,
  'machine-mass': heavy,
  'machine-grain': grain,
  'machine-stations': stations,
  'machine-folds': folds,
  'machine-there': missing,
  'still-in-use': retired,
  'hand-lift': lift,
  'least-spine': spine,
  'saddle-thickness': saddle,
} as const satisfies Partial<Record<RuleId, Predicate>>;
