import { type RoomEntry, type RoomEvent, type StationEntryKind, wordOf, withinSentence } from '@druckerei/core';
import { CARRIER_STATE_WORDS } from './press-words.js';

/** How an entry is told: what a component, carrier or step is called (nothing where it is told at its station), and how a number is written. */
export interface EntrySaying {
  readonly name: (id: string) => string;
  readonly count: (value: number, digits?: number) => string;
}

/** What an entry of a station is called on a button and above a field. */
export const ENTRY_WORDS: Readonly<Record<StationEntryKind, string>> = {
  'taken-in': $localize`Taken in`,
  'setup-begun': $localize`Set-up begun`,
  'setup-done': $localize`Set-up done`,
  'run-begun': $localize`Run begun`,
  stopped: $localize`Stopped`,
  resumed: $localize`Gone on`,
  good: $localize`Good out`,
  spoiled: $localize`Spoiled`,
  samples: $localize`Samples`,
  'left-over': $localize`Left over`,
  reading: $localize`Reading`,
  fault: $localize`Fault seen`,
  incident: $localize`Incident`,
  check: $localize`Check`,
  inspected: $localize`Lot looked at`,
  sorted: $localize`Refused lot sorted`,
  'handed-on': $localize`Handed on`,
  difference: $localize`Difference explained`,
  'step-closed': $localize`Station closed`,
  'step-opened': $localize`Station opened again`,
  note: $localize`Note`,
  photo: $localize`Photograph`,
};

const at = (sheet: number | undefined, { count }: EntrySaying): string =>
  sheet === undefined ? '' : $localize` at sheet ${count(sheet)}`;

/** What was entered at a station, without its name. */
const capital = (words: string): string => `${words.charAt(0).toUpperCase()}${words.slice(1)}`;

function stationWords(event: Extract<RoomEntry, { kind: StationEntryKind }>, say: EntrySaying): string {
  const { count } = say;
  const word = ENTRY_WORDS[event.kind];
  switch (event.kind) {
    case 'taken-in':
    case 'good':
    case 'handed-on':
      return `${word} ${count(event.count)}${event.pile === undefined ? '' : $localize`, pile ${event.pile}`}`;
    case 'samples':
    case 'left-over':
      return `${word} ${count(event.count)}`;
    case 'spoiled':
      return `${word} ${count(event.count)}: ${wordOf(event.reason)}${event.during === 'set-up' ? $localize`, in set-up` : ''}`;
    case 'stopped':
    case 'step-opened':
      return `${word}: ${wordOf(event.reason)}`;
    case 'reading':
      return $localize`${word} of ${event.of}${event.name ? `, ${event.name}` : ''}\: ${count(event.value, 3)}${at(event.sheet, say)}${event.source ? `, ${event.source}` : ''}`;
    case 'fault':
      return `${word}: ${wordOf(event.fault)}${at(event.sheet, say)}${event.note ? `, ${event.note}` : ''}`;
    case 'incident':
      return `${capital(wordOf(event.what))}${event.lost > 0 ? $localize`, ${count(event.lost)} lost` : ''}`;
    case 'check':
      return `${event.check}: ${event.passed ? $localize`passed` : $localize`not passed`}`;
    case 'inspected':
      return $localize`${word}\: ${count(event.faulty)} faulty in ${count(event.sample)} of ${count(event.lot)}${event.pile === undefined ? '' : $localize`, pile ${event.pile}`}`;
    case 'sorted':
      return $localize`${word}\: ${count(event.faulty)} taken out`;
    case 'difference':
      return $localize`${word}, ${count(event.pieces)} pieces: ${wordOf(event.reason)}`;
    case 'note':
      return event.text;
    case 'photo':
      return `${word}${event.note ? `: ${event.note}` : ''}`;
    default:
      return word;
  }
}

/** What was entered, in a line. */
export function entryWords(event: RoomEvent, say: EntrySaying): string {
  const { name, count } = say;
  switch (event.kind) {
    case 'artwork':
      return event.sent
        ? $localize`Proof of ${name(event.component)} sent to the customer`
        : $localize`Artwork of ${name(event.component)} ${wordOf(event.approved ? 'approved' : 'refused')}`;
    case 'carrier':
      return `${name(event.carrier)}: ${withinSentence(CARRIER_STATE_WORDS[event.state])}${event.place ? `, ${event.place}` : ''}`;
    case 'inspection':
      return $localize`${name(event.carrier)} inspected: ${event.faults.length > 0 ? event.faults.map(wordOf).join(', ') : $localize`no fault`}`;
    case 'trial':
      return $localize`Trial of ${event.ink} ${wordOf(event.accepted ? 'accepted' : 'refused')}`;
    case 'ink':
      return $localize`${count(event.kg, 3)} kg of ${event.ink} ${event.move}`;
    case 'press-start':
      return $localize`${name(event.step)} started`;
    case 'first-sheet':
      return $localize`First good sheet of ${name(event.step)} passed${event.kept ? $localize`, kept: ${event.kept}` : ''}`;
    case 'count':
      return $localize`${count(event.good)} good counted at ${name(event.step)}`;
    case 'reader-stop':
      return $localize`Reader at ${name(event.step)} stopped at section ${event.place}\: ${wordOf(event.fault)}`;
    case 'issued':
      return $localize`${count(event.count)} of ${event.item} issued to ${event.to}`;
    case 'returned':
      return $localize`${count(event.count)} of ${event.item} returned by ${event.from}`;
    case 'carried':
      return $localize`${event.what} carried from ${event.from} to ${event.to}`;
    case 'bagged':
      return $localize`Bag ${event.bag}, seal ${event.seal}\: ${count(event.count)} spoiled of ${name(event.step) || $localize`this station`}, ${event.place}`;
    case 'recounted':
      return $localize`Bag ${event.bag} counted again: ${count(event.count)}`;
    case 'destroyed':
      return $localize`Bags ${event.bags.join(', ')} ${wordOf(event.how)}, ${event.place}`;
    case 'witnessed':
      return $localize`Destruction ${event.record} witnessed`;
    case 'voided':
      return $localize`Voided: ${event.numbers.join(', ')} (${wordOf(event.reason)})`;
    case 'remade':
      return $localize`Made again: ${event.numbers.map((number, i) => (event.as[i] === undefined ? number : $localize`${number} as ${event.as[i]}`)).join(', ')}`;
    case 'take-back':
      return $localize`An entry taken back`;
    case 'strike':
      return $localize`Entry ${event.record} struck through: ${event.why}`;
    case 'held':
      return $localize`Held: ${entryWords(event.entry, say)}`;
    case 'settled':
      return $localize`Entry ${event.record} ${event.taken ? $localize`:of an entry|:counts` : $localize`stays out`}\: ${event.why}`;
    default: {
      const station = name(event.step);
      return `${station === '' ? '' : `${station}: `}${stationWords(event, say)}`;
    }
  }
}
