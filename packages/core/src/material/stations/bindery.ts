import { bookGlue } from '../../job/index.js';
import type { StationOf } from '../../route/index.js';
import { UM } from '../../kernel/index.js';
import { type Material, aroundTheFold, blockAndCover, gramsOf, stacked } from '../state.js';
import { asItCame, type After, type At, laid, wetWith } from './at.js';
import { knifed } from './sheet.js';

/** Sections or leaves put together, with their cover brought along or around them. */
export function gathered({ inputs, all }: At): Material {
  const { block, cover } = blockAndCover(inputs);
  const made = stacked(block) ?? all;
  return cover ? { ...made, massG: all.massG, wet: all.wet, cover } : made;
}

/** A block glued into its cover: the spine milled off, the cover on both sides and around the spine. */
export function bound(at: At): Material {
  const { inputs, all, job } = at;
  const { block, cover } = blockAndCover(inputs);
  const made = stacked(block) ?? all;
  const millMm = made.trims.spineMm;
  const milledG = gramsOf(millMm * made.heightMm, made.throughGsm);
  const around = cover ? 2 * cover.caliperUm : 0;
  const wet = laid(at, bookGlue(job.finish));
  return {
    ...made,
    cover: undefined,
    component: undefined,
    wet: [...all.wet, wet],
    widthMm: made.widthMm - millMm,
    caliperUm: made.caliperUm + around,
    freeUm: made.caliperUm + around,
    massG: all.massG - milledG,
    leaves: made.leaves + (cover ? 2 : 0),
    throughGsm: made.throughGsm + (cover ? 2 * cover.throughGsm : 0),
    spineGsm: cover?.throughGsm ?? 0,
    trims: { ...made.trims, spineMm: 0 },
  };
}

/** Trimmed; two books bound as one are parted here where no splitter does it. */
export const trimmed = ({ all, job }: At): Material =>
  knifed(all, job.route.some(({ operation }) => operation === 'split') ? 1 : all.books);

/** Boards and strip under their cloth, lying open; what it will be around a block goes with it. */
function caseMade({ inputs, all, norms }: At): Material {
  const [cloth, ...boards] = inputs;
  const board = [...boards].sort((a, b) => b.material.widthMm - a.material.widthMm)[0]?.material;
  if (!cloth || !board) return all;
  const clothUm = cloth.material.caliperUm;
  const turnInMm = norms('case.turnIn').value;
  return {
    ...all,
    component: undefined,
    widthMm: cloth.material.widthMm - 2 * turnInMm,
    heightMm: board.heightMm,
    caliperUm: board.caliperUm + clothUm,
    freeUm: board.caliperUm + clothUm,
    leaves: 2,
    throughGsm: 0,
    shell: {
      // From the fore edge of the board over the joint to the spine strip, which lies outside the block.
      widthMm: board.widthMm + norms('case.joint').value + (board.caliperUm + clothUm) / UM,
      heightMm: board.heightMm,
      caliperUm: 2 * (board.caliperUm + clothUm),
    },
  };
}

/** A block in its case: as large as the case, as thick as both boards with their cloth and the block. */
export function cased(at: At): Material {
  const { inputs, all } = at;
  const shell = inputs.find(({ material }) => material.shell)?.material.shell;
  const block = inputs.find(({ material }) => !material.shell)?.material;
  if (!shell || !block) return wetWith(all, laid(at, 'paste'));
  const caliperUm = block.caliperUm + shell.caliperUm;
  return wetWith(
    {
      ...all,
      widthMm: shell.widthMm,
      heightMm: shell.heightMm,
      caliperUm,
      freeUm: caliperUm,
      throughGsm: 0,
      shell: undefined,
      sections: block.sections,
      leaves: block.leaves,
    },
    laid(at, 'paste'),
  );
}
const swollen = ({ all, norms }: At): Material => {
  const caliperUm = all.caliperUm * (1 + norms('sew.swell').value);
  return { ...all, caliperUm, freeUm: caliperUm };
};

/** What leaves these stations out of what comes to them. Total: one without its material does not compile. */
export const BINDERY_MATERIAL: Readonly<Record<StationOf['bindery'], After>> = {
  gather: gathered,
  sew: swollen,
  spine: asItCame,
  stitch: ({ inputs, all }) => {
    const made = stacked(aroundTheFold(inputs)) ?? all;
    const narrowest = Math.min(...aroundTheFold(inputs).map(({ material }) => material.widthMm));
    return { ...made, widthMm: narrowest, freeUm: made.caliperUm };
  },
  kit: gathered,
  bind: bound,
  cool: asItCame,
  split: ({ all }) => ({
    ...all,
    heightMm: all.heightMm / all.books,
    massG: all.massG / all.books,
    books: 1,
  }),
  trim: trimmed,
  line: asItCame,
  case: caseMade,
  'case-in': cased,
  press: ({ all }) => ({ ...all, freeUm: all.caliperUm }),
};
