import type { RoomEvent } from '@druckerei/core';
import { CARRIER_STATE_WORDS } from '@druckerei/contract';
import { count } from '../../../ui/format';

/** What was entered, in a line. @param name what a component, carrier or step is called. */
export function recordWords(event: RoomEvent, name: (id: string) => string): string {
  switch (event.kind) {
    case 'artwork':
      return event.sent
        ? `Proof of ${name(event.component)} sent to the customer`
        : `Artwork of ${name(event.component)} ${event.approved ? 'approved' : 'refused'}`;
    case 'carrier':
      return `${name(event.carrier)}: ${CARRIER_STATE_WORDS[event.state].toLowerCase()}${event.place ? `, ${event.place}` : ''}`;
    case 'inspection':
      return `${name(event.carrier)} inspected: ${event.faults.length > 0 ? event.faults.join(', ') : 'no fault'}`;
    case 'trial':
      return `Trial of ${event.ink} ${event.accepted ? 'accepted' : 'refused'}`;
    case 'ink':
      return `${count(event.kg, 3)} kg of ${event.ink} ${event.move}`;
    case 'press-start':
      return `${name(event.step)} started`;
    case 'first-sheet':
      return `First good sheet of ${name(event.step)} passed${event.kept ? `, kept: ${event.kept}` : ''}`;
    case 'count':
      return `${count(event.good)} good counted at ${name(event.step)}`;
    case 'reader-stop':
      return `Reader at ${name(event.step)} stopped at section ${event.place}: ${event.fault}`;
    case 'take-back':
      return 'An entry taken back';
  }
}
