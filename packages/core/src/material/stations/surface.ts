import type { StationOf } from '../../route/index.js';
import type { Material } from '../state.js';
import { asItCame, type After, type At, laid, wetWith } from './at.js';
import { gainOf } from './gains.js';

/** Film over one side. */
export function filmed(at: At): Material {
  const { all, norms } = at;
  const film = norms('film.gsm').value;
  const um = norms('film.caliper').value;
  const thermal = at.job.finish?.filmBond === 'thermal';
  const made = {
    ...all,
    caliperUm: all.caliperUm + um,
    freeUm: all.freeUm + um,
    throughGsm: all.throughGsm + film,
    massG: all.massG + gainOf(at),
  };
  return thermal ? made : wetWith(made, laid(at, 'film'));
}

/** What leaves these stations out of what comes to them. Total: one without its material does not compile. */
export const SURFACE_MATERIAL: Readonly<Record<StationOf['surface'], After>> = {
  laminate: filmed,
  foil: asItCame,
  emboss: asItCame,
  mount: (at) => wetWith({ ...at.all, component: at.first.component }, laid(at, 'lamination')),
};
