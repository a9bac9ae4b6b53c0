export { AdviceTable } from './advice-table';
export { ModelOutlookPanel } from './model-outlook-panel';
export { OutlookPanel } from './outlook-panel';
export type { AssetOutlook, Found } from './server/asset-outlook';
