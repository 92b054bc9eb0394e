import { TICKET_PARTS, isTicketPart, ticketWithout } from './ticket-parts.js';

describe('parts of a ticket', () => {
  it('are left out as the setting lists them, none where it says nothing', () => {
    expect(ticketWithout({})).toEqual([]);
    expect(ticketWithout({ ticketWithout: 'gates, boxes' })).toEqual(['gates', 'boxes']);
    expect(ticketWithout({ ticketWithout: TICKET_PARTS.join(',') })).toEqual(TICKET_PARTS);
  });
  it('that are none are passed over', () => {
    expect(ticketWithout({ ticketWithout: 'cautions,,components, gates' })).toEqual(['gates']);
    expect(isTicketPart('cautions')).toBe(false);
  });
});
