'use client';
import { CartesianGrid, Legend, Line, LineChart, ReferenceLine, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import { format } from 'date-fns';

export interface ErrorPoint {
  at: number;
  errors: Record<string, number | null>;
}
const SERIES = [
  { stroke: 'var(--within)', dash: undefined },
  { stroke: 'var(--cannot)', dash: '7 3' },
  { stroke: 'var(--outside)', dash: '2 3' },
  { stroke: 'var(--bs-body-color)', dash: '10 3 2 3' },
  { stroke: 'var(--quiet)', dash: '4 4' },
] as const;

/** As-found error over time, in per cent of the tolerance, so that all channels share one scale: beyond ± 100 % is outside. */
export function ErrorChart({ points, labels }: { points: ErrorPoint[]; labels: string[] }) {
  // A scale that keeps zero in the middle and the limits on a line of their own.
  const reach = Math.max(
    150,
    Math.ceil(Math.max(...points.flatMap((point) => Object.values(point.errors).map((error) => Math.abs(error ?? 0)))) / 50) * 50,
  );
  const ticks =
    reach > 300
      ? [-reach, -100, 0, 100, reach]
      : Array.from({ length: (2 * reach) / 50 + 1 }, (_one, index) => index * 50 - reach);
  const data = points.map((point) => ({ at: point.at, ...point.errors }));
  return (
    <ResponsiveContainer width="100%" height={270}>
      <LineChart data={data} margin={{ top: 8, right: 16, bottom: 4, left: 0 }}>
        <CartesianGrid stroke="var(--rule)" vertical={false} />
        <XAxis
          dataKey="at"
          type="number"
          scale="time"
          domain={['dataMin', 'dataMax']}
          tickFormatter={(at: number) => format(at, 'MMM yyyy')}
          stroke="var(--quiet)"
          fontSize={12}
        />
        <YAxis stroke="var(--quiet)" fontSize={12} unit=" %" width={64} domain={[-reach, reach]} ticks={ticks} />
        <ReferenceLine y={100} stroke="var(--bs-body-color)" strokeWidth={1.6} />
        <ReferenceLine y={-100} stroke="var(--bs-body-color)" strokeWidth={1.6} />
        <ReferenceLine y={0} stroke="var(--quiet)" />
        <Tooltip
          labelFormatter={(at) => format(Number(at), 'd MMM yyyy')}
          formatter={(value) => `${Number(value).toFixed(0)} % of tolerance`}
          contentStyle={{ background: 'var(--sheet)', border: '1px solid var(--rule)', color: 'var(--bs-body-color)' }}
        />
        <Legend />
        {labels.map((label, index) => {
          const look = SERIES[index % SERIES.length]!;
          return (
            <Line
              key={label}
              dataKey={label}
              stroke={look.stroke}
              strokeDasharray={look.dash}
              strokeWidth={2}
              dot={{ r: 3 }}
              connectNulls
              isAnimationActive={false}
            />
          );
        })}
      </LineChart>
    </ResponsiveContainer>
  );
}
