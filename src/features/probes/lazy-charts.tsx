'use client';
import dynamic from 'next/dynamic';

/** The chart's library is heavy: it is fetched only where a chart is. */
export const LazyElectrodeChart = dynamic(() => import('./electrode-chart').then((module) => module.ElectrodeChart), {
  ssr: false,
  loading: () => <div style={{ height: 300 }} />,
});
export const LazyTrendChart = dynamic(() => import('./trend-chart').then((module) => module.TrendChart), {
  ssr: false,
  loading: () => <div style={{ height: 230 }} />,
});
