/** What of a ticket can be asked for: all that is here, one state, or how it ended. */
export const TICKET_STATES = [
  'here',
  'inTray',
  'onBench',
  'toApprove',
  'toReturn',
  'returned',
  'cancelled',
  'uncalibrated',
] as const;
export type TicketState = (typeof TICKET_STATES)[number];
