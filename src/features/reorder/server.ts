export { dropTerms, keepTerms } from './server/keep-terms';
export { reorderCsv, supplyOutlook, USUAL_LEAD_DAYS, type SupplyLine } from './server/supply-outlook';
