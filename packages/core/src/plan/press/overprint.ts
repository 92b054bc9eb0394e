import { type Entry, GIVEN, IDENTITY, rule } from '../../kernel/index.js';
import { carrierWords } from '../../press/index.js';
import { lifeNorm, filledId, filmNorms, inkOf, type Overprint, overprintsOf } from '../../prepress/index.js';
import { giveNorm } from '../../norms/index.js';
import type { Prepared, Run } from '../prepared.js';
import { type InkPart, filmFigure, printedArea } from './ink-figures.js';

const INK = rule('', 'kg', 'sheets * area * coverage * film / 1000 + fills * fill');
const CARRIERS = rule('', '', 'inks * max(1, ceil(sheets / life))');

/** Ink of a pass on another press. Source: identity, handbook chapter 5. */
function overprintInks(context: Prepared, fills: ReadonlySet<string>, { step, inks, layout }: Overprint): InkPart[] {
  const { job, works, norms, ledger } = context;
  const at = ledger.step(step.id);
  return inks.map(({ name, coverage }, i): InkPart => {
    const spec = inkOf(job, works, name);
    const filled = fills.has(filledId(step.id, '', name)) ? 1 : 0;
    const fixed = {
      area: printedArea(ledger, layout),
      coverage:
        coverage === undefined
          ? giveNorm(ledger, norms, 'ink.coverage')
          : at.give(`ink.${i}.coverage`, $localize`Coverage, ${name}`, coverage, 'share', GIVEN),
      film: filmFigure(ledger, norms, spec, filmNorms(layout, spec.kind).film),
      fills: at.give(`ink.${i}.fills`, $localize`Fills of its unit`, filled, 'fills', IDENTITY),
      fill: giveNorm(ledger, norms, 'ink.fill'),
    };
    const told = { name: $localize`Ink ${name}, ${step.id}` };
    return {
      ink: name,
      drawn: (run) => {
        const own = run.ledger.step(step.id);
        return own.reckon(`ink.${i}`, INK, { sheets: own.of('processUnits'), ...fixed }, told);
      },
    };
  });
}

/** Carriers of a pass on another press: one an ink, renewed when it is worn. Source: identity, handbook chapter 4. */
function overprintCarriers({ norms, ledger }: Prepared, { step, inks, kind }: Overprint): ((run: Run) => Entry)[] {
  if (kind === undefined) return [];
  const [heading, unit] = carrierWords([kind]);
  const life = giveNorm(ledger, norms, lifeNorm(kind));
  const perSet = ledger.step(step.id).give('inks', $localize`Inks of this pass`, inks.length, 'inks', GIVEN);
  const told = { name: `${heading}, ${step.id}`, unit };
  return [
    (run) => {
      const own = run.ledger.step(step.id);
      return own.reckon('carriers', CARRIERS, { inks: perSet, sheets: own.of('processUnits'), life }, told);
    },
  ];
}

/** Carriers and ink of passes on other presses. @param fills inks whose unit is filled for their pass. */
export function overprintParts(
  context: Prepared,
  fills: ReadonlySet<string>,
): { readonly inks: readonly InkPart[]; readonly carriers: readonly ((run: Run) => Entry)[] } {
  const { job, works, layouts } = context;
  const passes = overprintsOf(job, works, (id) => layouts.get(id));
  return {
    inks: passes.flatMap((pass) => overprintInks(context, fills, pass)),
    carriers: passes.flatMap((pass) => overprintCarriers(context, pass)),
  };
}
