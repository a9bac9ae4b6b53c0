export { assetCard, listAssets } from './server/asset-card';
