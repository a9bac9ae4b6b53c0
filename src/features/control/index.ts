export { ChartForm } from './chart-form';
export { ChartView } from './chart-view';
export { ChartsTable } from './charts-table';
export { ChecksAhead } from './checks-ahead';
export { ComparisonsPanel } from './comparisons-panel';
