export { AssetTable } from './asset-table';
export { AssetView } from './asset-view';
export { TagView } from './tag-view';
