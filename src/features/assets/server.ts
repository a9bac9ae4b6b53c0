export { assetCard, listAssets } from './server/asset-card';
export { keepSamples } from './server/keep-samples';
export { returnToUse, wayBack } from './server/return-to-use';
export { standingOf } from './server/standing';
export { retireAsset, takeBackAsset } from './server/retire';
