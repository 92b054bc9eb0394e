import { type DestroyedBy, type Family, FAMILY_RULES, table } from '@druckerei/core';
import type { SizeWords } from '@druckerei/contract';

/** What a certificate tells in one sentence, its figures as they are written. */
export interface Destroyed {
  readonly bags: number;
  readonly counted: string;
  readonly pieces: string;
  readonly how: string;
  readonly place: string;
}

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
  readonly certificate: string;
  /** What was destroyed, how and where. */
  readonly destroyed: (told: Destroyed) => string;
  readonly how: Readonly<Record<DestroyedBy, string>>;
  readonly bag: string;
  readonly seal: string;
  readonly station: string;
  readonly counted: string;
  readonly ofPieces: string;
  readonly countedBy: string;
  readonly ofBag: (by: string, bag: string) => string;
  readonly destroyedBefore: string;
  readonly who: string;
  readonly when: string;
  readonly entry: string;
  readonly hash: string;
  readonly voided: string;
  readonly number: string;
  readonly reason: string;
  readonly remade: string;
  readonly bookEnded: (entry: string, hash: string) => string;
  /** What comes before the paper. */
  readonly caution: string;
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
  certificate: 'Certificate of destruction',
  destroyed: ({ bags, counted, pieces, how, place }) =>
    `${bags} ${bags === 1 ? 'bag' : 'bags'} of spoils with ${counted} counted, ${pieces} pieces, were ${how} at ${place}.`,
  how: { cut: 'cut', shredded: 'shredded', burned: 'burned' },
  bag: 'Bag',
  seal: 'Seal',
  station: 'Station',
  counted: 'Counted',
  ofPieces: 'Pieces',
  countedBy: 'Counted by',
  ofBag: (by, bag) => `${by}, bag ${bag}`,
  destroyedBefore: 'Destroyed before',
  who: 'Who',
  when: 'When',
  entry: 'Entry',
  hash: 'Hash of the entry',
  voided: 'Voided numbers',
  number: 'Number',
  reason: 'Reason',
  remade: 'Made again as',
  bookEnded: (entry, hash) =>
    `The book ended with entry ${entry} when this was printed: ${hash}. Whoever has this paper can have its hashes looked up in the book.`,
  caution: 'Local law and the rules of the issuer come first: keep what they ask for beside this paper.',
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
  certificate: 'Vernichtungsnachweis',
  destroyed: ({ bags, counted, pieces, how, place }) =>
    `${bags} Beutel mit ${counted} gezählten Einheiten Makulatur, ${pieces} Stück, ${bags === 1 ? 'wurde' : 'wurden'} ${how}. Ort: ${place}.`,
  how: { cut: 'zerschnitten', shredded: 'geschreddert', burned: 'verbrannt' },
  bag: 'Beutel',
  seal: 'Plombe',
  station: 'Arbeitsgang',
  counted: 'Gezählt',
  ofPieces: 'Stück',
  countedBy: 'Gezählt von',
  ofBag: (by, bag) => `${by}, Beutel ${bag}`,
  destroyedBefore: 'Vernichtet im Beisein von',
  who: 'Wer',
  when: 'Wann',
  entry: 'Eintrag',
  hash: 'Prüfsumme des Eintrags',
  voided: 'Ungültige Nummern',
  number: 'Nummer',
  reason: 'Grund',
  remade: 'Neu gedruckt als',
  bookEnded: (entry, hash) =>
    `Bei Ausdruck endete das Buch mit Eintrag ${entry}: ${hash}. Wer dieses Papier hat, kann seine Prüfsummen im Buch nachschlagen lassen.`,
  caution:
    'Das örtliche Recht und die Vorschriften des Ausgebers gehen vor: bewahren Sie auf, was sie außer diesem Papier verlangen.',
  units: {
    sheets: ['Bogen', 'Bogen'],
    rolls: ['Rolle', 'Rollen'],
    pieces: ['Stück', 'Stück'],
    units: ['Einheit', 'Einheiten'],
  },
};

/** By language, BCP 47. */
export const LETTER_WORDS = { en, de } as const;
