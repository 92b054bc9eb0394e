import type { Operation, RuleId } from '../route/index.js';
import { cartonGrainOf } from '../families/index.js';
import { adhesiveAt } from '../plan/index.js';
import { webOf } from '../press-sheet/index.js';
import { type Contact, type SupplyId, type Works, inUse } from '../works/index.js';
import type { Station } from './facts.js';
import type { Found, Mend } from './finding.js';
import { type Predicate, is, set } from './predicate.js';

/** Whether the first fold of a flat piece runs across its grain: it halves the longer side. */
function foldsAcross({ incoming, layout }: Station): boolean {
  const flat = incoming[0]?.material;
  if (!flat || layout?.section || flat.widthMm === flat.heightMm) return false;
  return flat.grain === (flat.widthMm > flat.heightMm ? 'width' : 'height');
}

const score: Predicate = ({ stations, norms }) =>
  stations.flatMap((station): Found[] => {
    const { step, layout, before } = station;
    if (!is(station, 'fold') || !layout) return [];
    if (before.some((one) => is(one, 'score') && one.step.component === step.component)) return [];
    const { gsm } = layout.stock;
    const solid = Math.max(0, ...[...layout.component.front, ...layout.component.back].map((ink) => ink.coverage ?? 0));
    const over = norms('fold.scoreOver').value;
    const acrossOver = norms('fold.scoreAcrossOver').value;
    const mend: Mend = { kind: 'insert', operation: 'score', before: step.id };
    if (gsm > over) return [{ step: step.id, value: gsm, limit: over, unit: 'g/m2', mend }];
    if (gsm > acrossOver && foldsAcross(station))
      return [{ step: step.id, value: gsm, limit: acrossOver, unit: 'g/m2', mend }];
    const most = norms('fold.scoreSolid').value;
    // A web and thin sections fold without a score whatever is printed on them.
    const flat = !layout.section && !webOf(layout.machine);
    return flat && solid > most ? [{ step: step.id, value: solid, limit: most, unit: 'share', mend }] : [];
  });

const SEALS: readonly Operation[] = ['coat', 'laminate', 'foil'];
const gluesBlank = (station: Station): boolean =>
  is(station, 'glue', 'envelope') && station.layout?.component.kind === 'blank';

const glueArea: Predicate = ({ stations, job: { finish } }) =>
  stations.flatMap((station): Found[] => {
    const sealed = station.before.some((one) => is(one, ...SEALS) && one.step.component === station.step.component);
    const holds = finish?.glueFree === true || (finish?.adhesive ?? 'cold') !== 'cold';
    return gluesBlank(station) && sealed && !holds
      ? [{ step: station.step.id, mend: set(['finish', 'glueFree'], true) }]
      : [];
  });

const hotMelt: Predicate = ({ stations, job: { finish } }) =>
  stations.flatMap((station): Found[] => {
    const { coated = false, waxed = false } = station.layout?.stock ?? {};
    const told = finish?.adhesive;
    // Where nothing is told, coated board gets hot melt by itself; wax is said, for it cannot be kept free.
    const cold = waxed ? told === undefined || told === 'cold' : coated && told === 'cold' && finish?.glueFree !== true;
    return gluesBlank(station) && cold
      ? [{ step: station.step.id, mend: set(['finish', 'adhesive'], 'hot-melt') }]
      : [];
  });

const powder: Predicate = ({ stations }) =>
  stations.flatMap((station): Found[] => {
    const film = station.behind.some(
      (one) => is(one, 'laminate', 'foil') && one.step.component === station.step.component,
    );
    return is(station, 'print', 'overprint') && station.step.powder === true && film
      ? [{ step: station.step.id, mend: set(['route', station.index, 'powder'], false) }]
      : [];
  });

/** Sections whose spine lies across the web, and parts of a case with the grain across. */
const spineGrain: Predicate = ({ stations, job }) =>
  stations.flatMap((station): Found[] => {
    const { step, layout } = station;
    if (!layout) return [];
    const spine = layout.section?.outer[0]?.spine;
    if (is(station, 'print') && webOf(layout.machine) && (spine === 'top' || spine === 'bottom'))
      return [{ step: step.id }];
    const at = job.components.findIndex(({ id }) => id === step.component);
    const cased = is(station, 'cut') && station.behind.some((one) => is(one, 'case'));
    return cased && layout.component.grain !== 'height'
      ? [{ step: step.id, mend: set(['components', at, 'grain'], 'height') }]
      : [];
  });

/** Cartons stand with the grain around them, unless the house has it up the box; the flutes of corrugated board stand upright. */
const cartonGrain: Predicate = ({ stations, job, norms }) => {
  const grain = cartonGrainOf(norms);
  return stations.flatMap((station): Found[] => {
    const { step, layout } = station;
    const die = layout?.component.die;
    const carton = die?.kind === 'structure' && die.structure !== 'slotted-case' && die.structure !== 'packet';
    const at = job.components.findIndex(({ id }) => id === step.component);
    return is(station, 'die-cut') && carton && layout?.component.grain !== grain
      ? [{ step: step.id, mend: set(['components', at, 'grain'], grain) }]
      : [];
  });
};

const GLUE_SUPPLY = { cold: 'glue', 'hot-melt': 'hot-melt', pur: 'pur' } as const;

/** Whether all that the works keeps of a supply is cleared for a contact; what it does not name is not. */
function isHouseCleared({ supplies = [] }: Works, supply: SupplyId, contact: Contact): boolean {
  const kept = inUse(supplies).filter((one) => one.supply === supply);
  return kept.length > 0 && kept.every((one) => one.cleared.includes(contact));
}

/** Glue that touches what asks for clearance: by the job's word, else by what the works keeps of it. */
const cleared: Predicate = ({ stations, job, works }) =>
  stations.flatMap((station): Found[] => {
    const { contact, finish } = job;
    const supply = is(station, 'gum') ? 'gum' : GLUE_SUPPLY[adhesiveAt(job, station.layout).adhesive];
    const asks =
      contact !== undefined &&
      finish?.glueCleared?.includes(contact) !== true &&
      !isHouseCleared(works, supply, contact);
    return is(station, 'glue', 'envelope', 'gum', 'window') && asks
      ? [{ step: station.step.id, mend: set(['finish', 'glueCleared'], [contact]) }]
      : [];
  });

/** Varnish over what the product's contact asks to be cleared, likewise. */
const varnish: Predicate = ({ stations, works, job: { contact, finish } }) =>
  stations.flatMap((station): Found[] =>
    is(station, 'coat') &&
    contact !== undefined &&
    finish?.varnishCleared?.includes(contact) !== true &&
    !isHouseCleared(works, 'coating', contact)
      ? [{ step: station.step.id, mend: set(['finish', 'varnishCleared'], [contact]) }]
      : [],
  );

/** Rules about paper, ink, glue and grain. */
export const MATERIAL_PREDICATES = {
  'score-before-fold': score,
  'glue-area-free': glueArea,
  'hot-melt-on-sealed': hotMelt,
  'no-powder-under-film': powder,
  'grain-along-spine': spineGrain,
  'carton-grain': cartonGrain,
  'food-glue': cleared,
  'food-varnish': varnish,
} as const satisfies Partial<Record<RuleId, Predicate>>;
