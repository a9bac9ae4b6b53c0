export { correctChart, endChart, explainPoint, keepPoint, makeChart, strikePoint } from './server/keep-chart';
export { comparisonsCsv, keepComparison, listComparisons, strikeComparison, type ComparisonLine } from './server/keep-comparison';
export { chartCsv, chartPage, checksAhead, listCharts, watchable, type ChartLine, type ChartPage } from './server/read-charts';
