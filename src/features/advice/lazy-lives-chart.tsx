'use client';
import dynamic from 'next/dynamic';

/** The chart's library is heavy: it is fetched only where a chart is. */
export const LazyLivesChart = dynamic(() => import('./lives-chart').then((module) => module.LivesChart), {
  ssr: false,
  loading: () => <div style={{ height: 220 }} />,
});
