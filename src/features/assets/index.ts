export { AssetTable } from './asset-table';
export { AssetView } from './asset-view';
export { TagView } from './tag-view';
export { CorrectAsset, NewOwner } from './edit-panel';
export { ChannelsPanel } from './channels-panel';
export { pickChannel } from './channel-state';
