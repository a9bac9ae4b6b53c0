export { answerOffer, makeOffer, offerThatWaits, ticketInHouse } from './server/offers';
export { moneyOf, notePosition, strikePosition } from './server/positions';
export { endPrice, keepPrice, pricesNow, type Price } from './server/prices';
export { deliveredCsv } from './server/delivered-csv';
export { workInHouse, type WorkLine } from './server/work-in-house';
export { deliveryOnPaper, offerOnPaper } from './server/papers';
export { mailOffer, offersByMail } from './server/mail-offer';
