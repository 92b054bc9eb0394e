import { type Family, FAMILY_RULES, table } from '@druckerei/core';
import type { SizeWords } from '@druckerei/contract';

/** Words of the papers that go to customers and suppliers. Every language has all of them. */
export interface LetterWords extends Omit<SizeWords, 'number'> {
  readonly offer: string;
  readonly order: string;
  readonly draft: string;
  /** When an offer was made, and until when it holds. */
  readonly offered: (made: string, until: string) => string;
  /** When an order was made, and for when. */
  readonly ordered: (made: string, wanted: string) => string;
  readonly reference: (number: string) => string;
  readonly what: string;
  readonly line: string;
  /** Of copies that are printed, and of things that are bought. */
  readonly quantity: string;
  readonly amount: string;
  readonly unit: string;
  readonly price: (currency: string) => string;
  readonly perThousand: (currency: string) => string;
  readonly wantedOn: string;
  readonly asAgreed: string;
  readonly sum: string;
  /** Where some lines have no price. */
  readonly sumOfTold: string;
  readonly colours: (front: string, back: string) => string;
  readonly noColour: string;
  readonly kinds: Readonly<Record<Exclude<Family, 'gang'>, string>>;
  /** What is counted, one and several of it, by its unit. */
  readonly units: Readonly<Record<'sheets' | 'rolls' | 'pieces' | 'units', readonly [one: string, several: string]>>;
}

const en: LetterWords = {
  offer: 'Offer',
  order: 'Order',
  draft: 'Draft, not sent',
  offered: (made, until) => `Made on ${made}; it holds until ${until}.`,
  ordered: (made, wanted) => `Made on ${made}; wanted on ${wanted}.`,
  reference: (number) => `Our number with you: ${number}`,
  what: 'What',
  line: 'Line',
  quantity: 'Quantity',
  amount: 'Quantity',
  unit: 'Unit',
  price: (currency) => `Price, ${currency}`,
  perThousand: (currency) => `A thousand, ${currency}`,
  wantedOn: 'Wanted on',
  asAgreed: 'as agreed',
  sum: 'Sum',
  sumOfTold: 'Sum of the prices told',
  colours: (front, back) => `colours ${front} / ${back}`,
  noColour: 'none',
  inside: 'inside',
  pages: (count) => `${count} pages`,
  items: (count) => `${count} items`,
  kinds: table(Object.entries(FAMILY_RULES).map(([id, { name }]) => [id, name])) as LetterWords['kinds'],
  units: {
    sheets: ['sheet', 'sheets'],
    rolls: ['roll', 'rolls'],
    pieces: ['piece', 'pieces'],
    units: ['unit', 'units'],
  },
};

/** As a German works says it. Source: from memory; houses differ. */
const de: LetterWords = {
  offer: 'Angebot',
  order: 'Bestellung',
  draft: 'Entwurf, nicht versandt',
  offered: (made, until) => `Erstellt am ${made}; gültig bis ${until}.`,
  ordered: (made, wanted) => `Erstellt am ${made}; Liefertermin ${wanted}.`,
  reference: (number) => `Unsere Kundennummer bei Ihnen: ${number}`,
  what: 'Bezeichnung',
  line: 'Position',
  quantity: 'Auflage',
  amount: 'Menge',
  unit: 'Einheit',
  price: (currency) => `Preis, ${currency}`,
  perThousand: (currency) => `Je tausend, ${currency}`,
  wantedOn: 'Liefertermin',
  asAgreed: 'wie vereinbart',
  sum: 'Summe',
  sumOfTold: 'Summe der genannten Preise',
  colours: (front, back) => `Farben ${front} / ${back}`,
  noColour: 'keine',
  inside: 'Innenmaß',
  pages: (count) => `${count} Seiten`,
  items: (count) => `${count} Nutzen`,
  kinds: {
    flat: 'Planobogen: Plakat, Karte',
    folded: 'Falzprospekt oder Landkarte',
    'web-leaflet': 'Prospekt aus dem Rollendruck',
    'saddle-stitched': 'Broschüre mit Rückstichheftung',
    'perfect-bound': 'Buch mit Klebebindung',
    'case-bound': 'Buch mit Fadenheftung und Buchdecke',
    carton: 'Faltschachtel',
    wallet: 'Kartonhülle mit Einsatz und Beilage',
    'laminated-box': 'Schachtel, auf Wellpappe kaschiert',
    'corrugated-case': 'Wellpappkiste',
    envelope: 'Briefhülle oder Tüte',
    'paper-roll': 'Dekorpapier auf Rollen',
    labels: 'Haftetiketten und Haftbogen',
    numbered: 'Zählpflichtige numerierte Vordrucke',
    stationery: 'Geschäftspapiere in Stahlstich oder Reliefdruck',
    'on-demand': 'Buch auf Abruf',
  },
  units: {
    sheets: ['Bogen', 'Bogen'],
    rolls: ['Rolle', 'Rollen'],
    pieces: ['Stück', 'Stück'],
    units: ['Einheit', 'Einheiten'],
  },
};

/** By language, BCP 47. */
export const LETTER_WORDS = { en, de } as const;
export type LetterLanguage = keyof typeof LETTER_WORDS;
