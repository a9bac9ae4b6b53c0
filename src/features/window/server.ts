export { askSchema, enterSchema, sendSchema } from './server/request-schema';
export { ownJson } from './server/own-json';
export { doWindowRequest } from './server/do-request';
export { sendWindowLinks } from './server/window-link';
export { openReports, seeReport } from './server/reports';
export {
  ownBookable,
  ownBookings,
  ownDocuments,
  ownInstrument,
  ownInstruments,
  ownPdf,
  workshopOf,
  type OwnBooking,
  type OwnDocument,
  type OwnInstrument,
} from './server/own-things';
export { ownZip } from './server/own-zip';
