import type { StationOf } from '../../route/index.js';
import { UM, withinSentence } from '../../kernel/index.js';
import { type Material, gramsOf } from '../state.js';
import { type After, type At, asItCame, laid, wetWith } from './at.js';
import { gainOf } from './gains.js';

/** Structures that are glued around a tube and lie flat: half as wide as their panels, two boards thick. */
const TUBES = ['straight-tuck', 'reverse-tuck', 'self-locking', 'sleeve', 'packet', 'slotted-case'];

/** A blank once it is glued: a tube lies flat between its panels, a tray stands up. */
function gluedBlank({ all, layout }: At): Material {
  const { die, widthMm: lengthMm = 0, heightMm: openMm = 0 } = layout?.component ?? {};
  const unit = layout ? withinSentence(layout.component.name) : $localize`glued piece`;
  const glued = { ...all, unit, throughGsm: 0 };
  if (die?.kind !== 'structure') return glued;
  const boardMm = all.caliperUm / UM;
  const foldMm = die.foldMm ?? boardMm;
  const thick = (caliperUm: number): Pick<Material, 'caliperUm' | 'freeUm'> => ({ caliperUm, freeUm: caliperUm });
  if (TUBES.includes(die.structure)) {
    // Flat, one long and one short panel lie side by side, on as many again; flaps at their ends stay as they are.
    const folds = die.structure === 'packet' ? foldMm : 2 * foldMm;
    return {
      ...glued,
      widthMm: lengthMm + openMm + folds,
      heightMm: die.structure === 'packet' ? die.depthMm : all.heightMm,
      ...thick(2 * all.caliperUm),
      leaves: 2 * all.leaves,
    };
  }
  if (die.structure !== 'tray') return glued;
  return {
    ...glued,
    widthMm: lengthMm + 2 * boardMm,
    heightMm: openMm + 2 * boardMm,
    ...thick(UM * (die.depthMm + boardMm)),
  };
}

/** A window punched out of a blank and its film patched over it. */
export function windowed(at: At): Material {
  const { all, job } = at;
  const { windowMm } = job.finish ?? {};
  if (!windowMm) return all;
  const punched = gramsOf(windowMm.widthMm * windowMm.heightMm, all.throughGsm);
  return { ...all, massG: all.massG - punched + gainOf(at) };
}

/** What leaves these stations out of what comes to them. Total: one without its material does not compile. */
export const BOX_MATERIAL: Readonly<Record<StationOf['box'], After>> = {
  window: windowed,
  glue: (at) => wetWith(gluedBlank(at), laid(at, 'glue')),
  envelope: (at) => wetWith(gluedBlank(at), laid(at, 'glue')),
  gum: (at) => wetWith(at.all, laid(at, 'gum')),
  rivet: asItCame,
  tip: (at) => ({ ...at.all, component: at.first.component }),
};
