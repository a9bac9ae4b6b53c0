export { assetCard, listAssets } from './server/asset-card';
export { failureOf } from './server/failure';
