export { assetsCsv } from './server/assets-csv';
export { assetCard, listAssets } from './server/asset-card';
export { returnToUse, wayBack } from './server/return-to-use';
export { standingOf } from './server/standing';
export { retireAsset, takeBackAsset } from './server/retire';
export { correctAsset, giveToCustomer } from './server/correct-asset';
