'use client';
import {
  CartesianGrid,
  ErrorBar,
  Legend,
  Line,
  LineChart,
  ReferenceLine,
  ResponsiveContainer,
  Tooltip,
  XAxis,
  YAxis,
} from 'recharts';
import { format } from 'date-fns';
import { say } from '@/core/words/say';
import type { ErrorCurves } from './chart-points';
import '@/core/words/en/advice';

/** Where the next error of each channel lies, with its band, and when sensors were changed. */
export interface Ahead {
  at: number;
  bands: Record<string, { expected: number; low: number; high: number }>;
  newSensors: { at: number; label: string }[];
}
const SERIES = [
  { stroke: 'var(--within)', dash: undefined },
  { stroke: 'var(--cannot)', dash: '7 3' },
  { stroke: 'var(--outside)', dash: '2 3' },
  { stroke: 'var(--bs-body-color)', dash: '10 3 2 3' },
  { stroke: 'var(--quiet)', dash: '4 4' },
] as const;

/** As-found error over time, in per cent of the tolerance, so that all channels share one scale: beyond ± 100 % is outside. */
export function ErrorChart({ curves, ahead }: { curves: ErrorCurves; ahead: Ahead | null }) {
  const labels = Object.keys(curves.errors);
  // A scale that keeps zero in the middle and the limits on a line of their own.
  const reach = Math.max(
    150,
    Math.ceil(
      Math.max(
        ...Object.values(curves.errors).flatMap((errors) => errors.map((error) => Math.abs(error ?? 0))),
        ...Object.values(ahead?.bands ?? {}).flatMap(({ low, high }) => [Math.abs(low), Math.abs(high)]),
      ) / 50,
    ) * 50,
  );
  const ticks =
    reach > 300
      ? [-reach, -100, 0, 100, reach]
      : Array.from({ length: (2 * reach) / 50 + 1 }, (_one, index) => index * 50 - reach);
  const points = curves.at.map((at, index) => ({
    at,
    ...Object.fromEntries(labels.map((label) => [label, curves.errors[label]![index] ?? null])),
  }));
  const data = [...points, ...(ahead ? aheadPoints(ahead) : [])];
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
        {ahead?.newSensors.map((one) => (
          <ReferenceLine
            key={`${one.at}${one.label}`}
            x={one.at}
            stroke="var(--quiet)"
            strokeDasharray="1 3"
            label={{ value: `${one.label}: ${say({ code: 'advice.newSensor' })}`, fontSize: 11, position: 'insideTop' }}
          />
        ))}
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
            >
              {ahead && <ErrorBar dataKey={`band ${label}`} stroke={look.stroke} strokeWidth={1.6} width={6} direction="y" />}
            </Line>
          );
        })}
      </LineChart>
    </ResponsiveContainer>
  );
}

/** So that the bars of several channels don't lie over each other, each a little later than the one before. */
const APART_MS = 6 * 864e5;

function aheadPoints({ at, bands }: Ahead) {
  return Object.entries(bands).map(([label, { expected, low, high }], index) => ({
    at: at + index * APART_MS,
    [label]: expected,
    [`band ${label}`]: [expected - low, high - expected],
  }));
}
