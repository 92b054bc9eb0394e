import type { WorksSettings } from './works.js';

/** What of a job ticket a works may print it without; its head, its components and the cautions of what is printed stay. */
export const TICKET_PARTS = [
  'stream',
  'material',
  'gates',
  'press',
  'finishing',
  'bindery',
  'boxes',
  'packing',
] as const;
export type TicketPart = (typeof TICKET_PARTS)[number];

export const isTicketPart = (name: string): name is TicketPart => (TICKET_PARTS as readonly string[]).includes(name);

/** Parts that a works prints its tickets without, as its setting lists them; names that are none are passed over. */
export const ticketWithout = ({ ticketWithout: told = '' }: Pick<WorksSettings, 'ticketWithout'>): TicketPart[] =>
  told
    .split(',')
    .map((name) => name.trim())
    .filter(isTicketPart);
