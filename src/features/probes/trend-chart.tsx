'use client';
import { format } from 'date-fns';
import { Area, CartesianGrid, ComposedChart, Line, ReferenceLine, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';

export interface TrendPoint {
  at: number;
  value: number;
  /** Care that began a new series with this calibration. */
  care: string;
}

const TICKS = 6;

/** A figure of a probe over time with its limit; where five calibrations speak for it, the line with the prediction interval of the next one. */
export function TrendChart({
  points,
  band,
  limit,
  unit,
}: {
  points: TrendPoint[];
  band: { at: number; line: number; range: [number, number] }[];
  limit: number | null;
  unit: string;
}) {
  const data = [...points.map((one) => ({ at: one.at, value: one.value })), ...band].sort((a, b) => a.at - b.at);
  const values = [...points.map((one) => one.value), ...band.flatMap((one) => one.range), ...(limit === null ? [] : [limit])];
  const [low, high] = [Math.min(...values), Math.max(...values)];
  const times = data.map((one) => one.at);
  const [begin, end] = [Math.min(...times), Math.max(...times)];
  const ticks = Array.from({ length: TICKS }, (_one, index) => begin + ((end - begin) * index) / (TICKS - 1));
  const pad = Math.max((high - low) * 0.1, 0.5);
  return (
    <ResponsiveContainer width="100%" height={230}>
      <ComposedChart data={data} margin={{ top: 20, right: 16, bottom: 4, left: 0 }}>
        <CartesianGrid stroke="var(--rule)" vertical={false} />
        <XAxis
          dataKey="at"
          type="number"
          scale="time"
          domain={['dataMin', 'dataMax']}
          ticks={ticks}
          tickFormatter={(at: number) => format(at, 'MMM yyyy')}
          stroke="var(--quiet)"
          fontSize={12}
        />
        <YAxis
          stroke="var(--quiet)"
          fontSize={12}
          width={58}
          unit={` ${unit}`}
          domain={[low - pad, high + pad]}
          tickFormatter={(value: number) => value.toFixed(high - low < 3 ? 1 : 0)}
        />
        {limit !== null && <ReferenceLine y={limit} stroke="var(--bs-body-color)" strokeWidth={1.6} />}
        {points
          .filter((one) => one.care)
          .map((one) => (
            <ReferenceLine
              key={one.at}
              x={one.at}
              stroke="var(--cannot)"
              strokeDasharray="3 3"
              label={{ value: 'care', position: 'top', fontSize: 11, fill: 'var(--quiet)' }}
            />
          ))}
        <Tooltip
          labelFormatter={(at) => format(Number(at), 'd MMM yyyy')}
          formatter={(value) =>
            Array.isArray(value) ? value.map((one) => Number(one).toFixed(1)).join(' to ') : `${Number(value).toFixed(1)} ${unit}`
          }
          contentStyle={{ background: 'var(--sheet)', border: '1px solid var(--rule)', color: 'var(--bs-body-color)' }}
        />
        <Area
          name="next calibration, 95 %"
          dataKey="range"
          stroke="none"
          fill="var(--within)"
          fillOpacity={0.14}
          connectNulls
          isAnimationActive={false}
        />
        <Line
          name="line"
          dataKey="line"
          stroke="var(--within)"
          strokeDasharray="6 4"
          dot={false}
          connectNulls
          isAnimationActive={false}
        />
        <Line
          name="calibration"
          dataKey="value"
          stroke="var(--bs-body-color)"
          strokeWidth={1.4}
          dot={{ r: 3.5 }}
          connectNulls
          isAnimationActive={false}
        />
      </ComposedChart>
    </ResponsiveContainer>
  );
}
