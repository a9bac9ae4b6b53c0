export { firstWeek, hasDocuments } from './server/first-week';
export { isEmptyHouse, setUp, shippedFamilies } from './server/set-up';
