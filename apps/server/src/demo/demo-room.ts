import type { RoomEntry } from '@druckerei/core';

const NIGHT_BLUE = { l: 26, a: 14, b: -48 };

/** What has happened to demo jobs in the press room, by example, in the order it was entered. Invented. */
export const DEMO_ROOM: Readonly<Record<string, readonly RoomEntry[]>> = {
  'constellation-cards': [
    { kind: 'artwork', component: 'card', approved: true, note: 'proof 3, signed' },
    ...['front.k', 'front.silver', 'front.night-blue', 'back.k'].map((id): RoomEntry => ({
      kind: 'carrier',
      carrier: `card.${id}`,
      state: 'made',
    })),
    ...['front.k', 'front.silver'].map((id): RoomEntry => ({ kind: 'inspection', carrier: `card.${id}`, faults: [] })),
    { kind: 'inspection', carrier: 'card.front.night-blue', faults: ['scratch'], note: 'across two cards' },
    {
      kind: 'trial',
      ink: 'Night blue',
      aim: NIGHT_BLUE,
      measured: { l: 29.4, a: 12.1, b: -43.2 },
      tolerance: 2,
      accepted: false,
      note: 'too light, 3 % more violet',
    },
    {
      kind: 'trial',
      ink: 'Night blue',
      aim: NIGHT_BLUE,
      measured: { l: 26.6, a: 13.5, b: -47.1 },
      tolerance: 2,
      accepted: true,
    },
  ],
};
