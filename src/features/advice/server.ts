export { keepAdvice } from './server/advise';
export { adviseNightly } from './server/advise-nightly';
export { assetOutlook, type AssetOutlook } from './server/asset-outlook';
export { adviceCsv, listAdvice, type AdviceRow } from './server/list-advice';
export { keepModelHistories } from './server/model-histories';
export { modelOutlook, type ModelOutlook } from './server/model-outlook';
export { takeAdvice } from './server/take-advice';
