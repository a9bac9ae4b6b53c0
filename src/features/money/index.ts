export { MoneyPanel } from './money-panel';
export { DeliveryNote, OfferPaper } from './papers';
export { PriceTable } from './price-table';
export { WorkTable } from './work-table';
