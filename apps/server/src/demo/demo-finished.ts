import type { SingleOrder } from '@druckerei/core';

/** Finished goods on hand when the demo begins, by the job that made them. Invented. */
export const DEMO_FINISHED: readonly { example: string; pieces: number; place: string }[] = [
  { example: 'tea-caddy', pieces: 6_000, place: 'Hall B, row 2' },
  { example: 'board-game-box', pieces: 1_600, place: 'Hall B, row 5' },
];

/** The order book of single books when the demo begins. Invented. */
export const DEMO_SINGLES: readonly SingleOrder[] = [
  ['W-101', 'Walking guide, east', 148, 210, 160, 'cream 90 g', 'matt', '2026-12-04'] as const,
  ['W-102', 'Walking guide, west', 148, 210, 144, 'cream 90 g', 'matt', '2026-12-03'] as const,
  ['W-103', 'Hut book', 130, 200, 96, 'white 80 g', 'gloss', '2026-12-04'] as const,
  ['W-104', 'Walking guide, north', 148, 210, 176, 'cream 90 g', 'matt', '2026-12-04'] as const,
  ['W-105', 'Hut book, second edition', 130, 200, 112, 'white 80 g', 'gloss', '2026-12-07'] as const,
].map(([id, title, widthMm, heightMm, pages, stock, film, due]) => ({
  id,
  title,
  widthMm,
  heightMm,
  pages,
  stock,
  film,
  due,
}));
