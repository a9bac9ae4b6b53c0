export {
  assetsOf,
  channelsOf,
  findAssets,
  findCustomers,
  listModels,
  modelNames,
  scanTarget,
  type ModelName,
} from './server/find';
export { findAnything, type Hits } from './server/find-anything';
export { createAsset, receive, returnTicket } from './server/receive';
export { slipsOf, ticketSlip } from './server/slip';
export { listTickets, TICKET_SORTS, ticketsCsv, type TicketSort } from './server/list-tickets';
export { ticketList } from './server/ticket-list';
export { INSPECTION_ITEMS, inspectionFor, serialSchema } from './receive-schema';
export { keepSamples } from './server/keep-samples';
export { cancelTicket, changeTicket, handBackUncalibrated } from './server/end-ticket';
export { cancelReceipt, correctReceipt, splitReceipt } from './server/change-receipt';
export { receiptOf } from './server/receipt-of';
