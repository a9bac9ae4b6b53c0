export { assetsCsv } from './server/assets-csv';
export { assetCard } from './server/asset-card';
export { ASSET_SORTS, listAssets, type AssetSort } from './server/list-assets';
export { returnToUse, wayBack } from './server/return-to-use';
export { standingOf } from './server/standing';
export { retireAsset, takeBackAsset } from './server/retire';
export { correctChannels } from './server/correct-channels';
export { correctAsset, giveToCustomer } from './server/correct-asset';
export { assetList } from './server/asset-list';
