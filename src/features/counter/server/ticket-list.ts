import { readList, type ListAddress } from '@/ui/list/list-address';
import { TICKET_STATES } from '../ticket-states';
import { TICKET_SORTS, type TicketSort } from './list-tickets';

/** The list of tickets as an address says it, and what of it the database is asked. */
export function ticketList(search: Record<string, string>): {
  list: ListAddress;
  asked: { q: string | undefined; sort: TicketSort; down: boolean; state: (typeof TICKET_STATES)[number] | undefined };
} {
  const list = readList('/tickets', search, { sorts: TICKET_SORTS, filters: { state: TICKET_STATES }, down: true });
  const state = TICKET_STATES.find((one) => one === list.filters.state);
  return { list, asked: { q: list.q, sort: list.sort as TicketSort, down: list.down, state } };
}
