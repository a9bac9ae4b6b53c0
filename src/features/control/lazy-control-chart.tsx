'use client';
import dynamic from 'next/dynamic';

/** The chart's library is heavy: it is fetched only where a chart is. */
export const LazyControlChart = dynamic(() => import('./control-chart').then((module) => module.ControlChart), {
  ssr: false,
  loading: () => <div style={{ height: 300 }} />,
});
