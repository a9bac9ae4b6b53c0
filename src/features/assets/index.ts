export { AssetTable } from './asset-table';
export { AssetView } from './asset-view';
