export { channelsOf, findAssets, findCustomers, listModels, scanTarget } from './server/find';
export { findAnything, type Hits } from './server/find-anything';
export { createAsset, receive, returnTicket } from './server/receive';
export { ticketSlip } from './server/slip';
export { INSPECTION_ITEMS, inspectionFor, serialSchema } from './receive-schema';
export { keepSamples } from './server/keep-samples';
export { cancelTicket, changeTicket, handBackUncalibrated } from './server/end-ticket';
export { cancelReceipt, correctReceipt, splitReceipt } from './server/change-receipt';
export { receiptOf } from './server/receipt-of';
