import type { HouseSupply, KeptInk } from '@druckerei/core';

/** Inks that the demo works keeps beside the process inks. Invented for the demo. */
export const DEMO_INKS: readonly KeptInk[] = [
  {
    id: 'weir-green',
    name: 'Weir green',
    kind: 'mixed',
    cleared: [],
    aim: { l: 41, a: -38, b: 16 },
    recipe: [
      { ink: 'Base green', parts: 62 },
      { ink: 'Base yellow', parts: 30 },
      { ink: 'Black', parts: 8 },
    ],
  },
  { id: 'pale-silver', name: 'Pale silver', kind: 'metallic', drying: 'oxidative', cleared: [], filmGsm: 1.8 },
  { id: 'press-varnish', name: 'Press varnish, gloss', kind: 'varnish', cleared: ['toy'] },
  { id: 'low-migration-black', name: 'Low-migration black', kind: 'special', cleared: ['food', 'toy'] },
];

/** Glues, coatings and films that it keeps. Invented for the demo. */
export const DEMO_SUPPLIES: readonly HouseSupply[] = [
  { id: 'dispersion-12', name: 'Dispersion 12', supply: 'glue', cleared: ['food', 'toy'] },
  { id: 'spine-melt', name: 'Spine melt', supply: 'hot-melt', cleared: [] },
  { id: 'coating-silk', name: 'Silk coating, water based', supply: 'coating', cleared: ['food'] },
  { id: 'film-matt', name: 'Matt film 30 µm', supply: 'film', cleared: [] },
];
