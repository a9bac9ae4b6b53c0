'use client';
import dynamic from 'next/dynamic';

/** The chart's library is heavy: it is fetched only where a chart is. */
export const LazyErrorChart = dynamic(() => import('./error-chart').then((module) => module.ErrorChart), {
  ssr: false,
  loading: () => <div style={{ height: 270 }} />,
});
