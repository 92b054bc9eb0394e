import type { StationOf } from '../../route/index.js';
import { UM } from '../../kernel/index.js';
import { rollDiameterMm } from '../../paper/index.js';
import { type Material, gramsOf } from '../state.js';
import { type After, asItCame, type At } from './at.js';

/** Web wound on a core: as wide as the web, as high as the roll is thick. */
export function wound({ all, layout, job, norms }: At): Material {
  const { rollM } = job.finish ?? {};
  if (rollM === undefined || !layout) return all;
  const widthMm = layout.piece.widthMm;
  const lengthMm = rollM * UM;
  const diameterMm = rollDiameterMm(rollM, norms('rewind.core').value, all.caliperUm);
  const core = (norms('rewind.coreGm').value * widthMm) / UM;
  return {
    ...all,
    widthMm,
    heightMm: diameterMm,
    caliperUm: diameterMm * UM,
    freeUm: diameterMm * UM,
    massG: gramsOf(widthMm * lengthMm, layout.stock.gsm) + core,
    leaves: 1,
    throughGsm: 0,
  };
}

/** What leaves these stations out of what comes to them. Total: one without its material does not compile. */
export const PACK_MATERIAL: Readonly<Record<StationOf['pack'], After>> = {
  rewind: wound,
  number: asItCame,
  inspect: asItCame,
  count: asItCame,
  hand: ({ all, step: { leavesMm } }) => {
    if (!leavesMm) return all;
    const { widthMm, heightMm, thicknessMm } = leavesMm;
    const caliperUm = thicknessMm * UM;
    return { ...all, widthMm, heightMm, caliperUm, freeUm: caliperUm, throughGsm: 0 };
  },
  outside: asItCame,
  band: ({ all }) => ({ ...all, freeUm: all.caliperUm }),
  wrap: ({ all }) => ({ ...all, freeUm: all.caliperUm }),
  box: ({ all }) => ({ ...all, freeUm: all.caliperUm }),
  pallet: asItCame,
};
