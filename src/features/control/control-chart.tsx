'use client';
import { CartesianGrid, Legend, Line, LineChart, ReferenceLine, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import { say } from '@/core/words/say';
import type { ChartPage } from './server/read-charts';
import '@/core/words/en/control';

/** Values in their order with centre and limits, and the moving average that shows a creep. What broke a rule is a full square. */
export function ControlChart({ page }: { page: Pick<ChartPage, 'points' | 'limits' | 'meanLimits' | 'chart'> }) {
  const { limits, meanLimits } = page;
  const data = page.points
    .filter((one) => one.counts)
    .map((one, index) => ({ n: index + 1, value: Number(one.text), mean: one.mean, out: one.rule !== null }));
  const places = Math.max(0, (String(Number(page.chart.resolution)).split('.')[1] ?? '').length);
  const all = data.map((one) => one.value);
  const reach = limits ? 3.6 * limits.sigma : 0;
  const low = Math.min(...all, limits ? limits.centre - reach : Infinity);
  const high = Math.max(...all, limits ? limits.centre + reach : -Infinity);
  const step = Number(page.chart.resolution) || reach / 10 || 1;
  const line = (y: number, dash: string | undefined, stroke: string, width = 1.4) => (
    <ReferenceLine y={y} stroke={stroke} strokeWidth={width} {...(dash ? { strokeDasharray: dash } : {})} />
  );
  return (
    <ResponsiveContainer width="100%" height={300}>
      <LineChart data={data} margin={{ top: 8, right: 16, bottom: 4, left: 0 }}>
        <CartesianGrid stroke="var(--rule)" vertical={false} />
        <XAxis dataKey="n" stroke="var(--quiet)" fontSize={12} allowDecimals={false} />
        <YAxis
          domain={[Math.floor(low / step) * step, Math.ceil(high / step) * step]}
          tickFormatter={(value: number) => value.toFixed(places + 1)}
          width={72}
          stroke="var(--quiet)"
          fontSize={12}
        />
        {limits && line(limits.centre, undefined, 'var(--quiet)')}
        {limits && line(limits.centre + 3 * limits.sigma, undefined, 'var(--outside)', 2)}
        {limits && line(limits.centre - 3 * limits.sigma, undefined, 'var(--outside)', 2)}
        {meanLimits && line(meanLimits.upper, '6 3', 'var(--cannot)')}
        {meanLimits && line(meanLimits.lower, '6 3', 'var(--cannot)')}
        <Tooltip
          formatter={(value) => Number(value).toFixed(places + 1)}
          contentStyle={{ background: 'var(--sheet)', border: '1px solid var(--rule)', color: 'var(--bs-body-color)' }}
        />
        <Legend />
        <Line
          dataKey="value"
          name={say({ code: 'control.single' })}
          stroke="var(--within)"
          strokeWidth={1.6}
          isAnimationActive={false}
          dot={({ cx, cy, payload, index }: { cx?: number; cy?: number; payload: { out: boolean }; index: number }) =>
            payload.out ? (
              <rect key={index} x={cx! - 5} y={cy! - 5} width={10} height={10} fill="var(--outside)" />
            ) : (
              <circle key={index} cx={cx} cy={cy} r={3.5} fill="var(--within)" />
            )
          }
        />
        <Line
          dataKey="mean"
          name={say({ code: 'control.mean' })}
          stroke="var(--cannot)"
          strokeDasharray="6 3"
          strokeWidth={2}
          dot={false}
          connectNulls
          isAnimationActive={false}
        />
      </LineChart>
    </ResponsiveContainer>
  );
}
