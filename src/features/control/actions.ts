'use server';
import { action } from '@/platform/action';
import {
  chartSchema,
  comparisonSchema,
  correctChartSchema,
  endSchema,
  explainSchema,
  pointSchema,
  strikeComparisonSchema,
  strikeSchema,
} from './control-schema';
import { correctChart, endChart, explainPoint, keepPoint, makeChart, strikePoint } from './server/keep-chart';
import { keepComparison, strikeComparison } from './server/keep-comparison';

const bench = 'bench';
export const makeChartAction = action(
  { name: 'makeChart', permission: bench, schema: chartSchema, audit: (input) => input.name },
  makeChart,
);
export const correctChartAction = action(
  { name: 'correctChart', permission: bench, schema: correctChartSchema, audit: (input) => input.name },
  correctChart,
);
export const keepPointAction = action(
  { name: 'keepPoint', permission: bench, schema: pointSchema, audit: (input) => `${input.chartId}: ${input.value}` },
  keepPoint,
);
export const explainPointAction = action(
  {
    name: 'explainPoint',
    permission: 'approve',
    schema: explainSchema,
    audit: (input) => `${input.pointId}: ${input.explained}`,
  },
  explainPoint,
);
export const strikePointAction = action(
  { name: 'strikePoint', permission: bench, schema: strikeSchema, audit: (input) => `${input.pointId}: ${input.why}` },
  strikePoint,
);
export const endChartAction = action(
  { name: 'endChart', permission: bench, schema: endSchema, audit: (input) => `${input.chartId}: ${input.why}` },
  endChart,
);
export const keepComparisonAction = action(
  { name: 'keepComparison', permission: bench, schema: comparisonSchema, audit: (input) => `${input.what}, ${input.withWhom}` },
  keepComparison,
);
export const strikeComparisonAction = action(
  { name: 'strikeComparison', permission: bench, schema: strikeComparisonSchema, audit: (input) => `${input.id}: ${input.why}` },
  strikeComparison,
);
