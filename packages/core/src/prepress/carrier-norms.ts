import type { CarrierKind } from '../press/index.js';

/** Norm that says how long a kind of carrier lives. */
export const lifeNorm = (kind: CarrierKind | undefined): string =>
  kind === undefined || kind === 'plate'
    ? 'plate.life'
    : ['flexo-plate', 'cylinder', 'recessed-plate', 'form-plate', 'stencil'].includes(kind)
      ? `carrier.${kind}.life`
      : 'carrier.die.life';

/** Norm that says what a kind of carrier costs. */
export const carrierPrice = (kind: CarrierKind | undefined): string =>
  kind === undefined || kind === 'plate' ? 'price.plate' : `price.carrier.${kind}`;
