'use client';
import { CartesianGrid, Label, Line, LineChart, ReferenceLine, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';

export interface ElectrodeLine {
  on: string;
  points: { pH: number; millivolts: number }[];
}

const EARLIER = 8;

/** Millivolts against pH: the present calibration with its segments, earlier ones faint behind it, and what a perfect glass would give. */
export function ElectrodeChart({ now, earlier, slope }: { now: ElectrodeLine; earlier: ElectrodeLine[]; slope: number }) {
  const faint = earlier.slice(-EARLIER);
  const ideal = [2, 12].map((pH) => ({ pH, ideal: slope * (7 - pH) }));
  const data = [
    ...ideal,
    ...now.points.map((one) => ({ pH: one.pH, now: one.millivolts })),
    ...faint.flatMap((line, index) => line.points.map((one) => ({ pH: one.pH, [`e${index}`]: one.millivolts }))),
  ].sort((a, b) => a.pH - b.pH);
  return (
    <ResponsiveContainer width="100%" height={300}>
      <LineChart data={data} margin={{ top: 8, right: 16, bottom: 18, left: 8 }}>
        <CartesianGrid stroke="var(--rule)" />
        <XAxis dataKey="pH" type="number" domain={[2, 12]} ticks={[2, 4, 6, 7, 8, 10, 12]} stroke="var(--quiet)" fontSize={12}>
          <Label value="pH" position="insideBottom" offset={-10} fill="var(--quiet)" fontSize={12} />
        </XAxis>
        <YAxis
          stroke="var(--quiet)"
          fontSize={12}
          width={62}
          unit=" mV"
          domain={[-300, 300]}
          ticks={[-300, -200, -100, 0, 100, 200, 300]}
        />
        <ReferenceLine x={7} stroke="var(--quiet)" strokeDasharray="2 3" />
        <ReferenceLine y={0} stroke="var(--quiet)" />
        <Tooltip
          labelFormatter={(pH) => `pH ${Number(pH).toFixed(2)}`}
          formatter={(value) => `${Number(value).toFixed(1).replace('-', '−')} mV`}
          contentStyle={{ background: 'var(--sheet)', border: '1px solid var(--rule)', color: 'var(--bs-body-color)' }}
        />
        {faint.map((line, index) => (
          <Line
            key={line.on}
            name={line.on}
            dataKey={`e${index}`}
            stroke="var(--quiet)"
            strokeOpacity={0.25 + (0.35 * index) / Math.max(1, faint.length)}
            strokeWidth={1}
            dot={false}
            connectNulls
            isAnimationActive={false}
          />
        ))}
        <Line
          name="perfect glass"
          dataKey="ideal"
          stroke="var(--cannot)"
          strokeDasharray="6 4"
          strokeWidth={1}
          dot={false}
          connectNulls
          isAnimationActive={false}
        />
        <Line
          name="now"
          dataKey="now"
          stroke="var(--within)"
          strokeWidth={2.5}
          dot={{ r: 5, fill: 'var(--within)' }}
          connectNulls
          isAnimationActive={false}
        />
      </LineChart>
    </ResponsiveContainer>
  );
}
