import type { StationOf } from '../../../route/index.js';
import { type Use, type UseAt, mm, plain, beads, type Uses, NOTHING } from './use-at.js';

/** Beads under both long sides of a tray that is glued onto a panel. */
function handUse({ incoming }: UseAt): readonly Use[] {
  const [, tray] = incoming;
  // What stands up and comes second is a tray.
  const stands = tray?.material.throughGsm === 0 && tray.material.component !== undefined;
  return stands ? [beads('glue', mm($localize`Beads under the tray, both long sides`, 2 * tray.material.widthMm))] : [];
}
const rewindUse = ({ step }: UseAt): readonly Use[] => [
  {
    supply: 'core',
    formula: 'ceil(units * rolls)',
    values: { rolls: plain($localize`Rolls out of one`, step.yield ?? 1, 'rolls') },
    norms: {},
  },
];

/** What these stations use up. Total: one that is forgotten does not compile. */
export const PACK_USES: Readonly<Record<StationOf['pack'], Uses>> = {
  rewind: rewindUse,
  number: NOTHING,
  inspect: NOTHING,
  count: NOTHING,
  hand: handUse,
  outside: NOTHING,
  band: NOTHING,
  wrap: NOTHING,
  box: NOTHING,
  pallet: NOTHING,
};
