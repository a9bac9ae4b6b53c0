'use client';
import { CartesianGrid, Legend, Line, LineChart, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import type { ModelOutlook } from './server/model-outlook';

const LOOKS = [
  { stroke: 'var(--within)', dash: undefined },
  { stroke: 'var(--cannot)', dash: '7 3' },
  { stroke: 'var(--outside)', dash: '2 3' },
  { stroke: 'var(--bs-body-color)', dash: '10 3 2 3' },
] as const;

/** Share of sensors that serve longer than so many months, as stairs. */
export function LivesChart({ lives }: { lives: ModelOutlook['lives'] }) {
  return (
    <ResponsiveContainer width="100%" height={220}>
      <LineChart margin={{ top: 8, right: 16, bottom: 4, left: 0 }}>
        <CartesianGrid stroke="var(--rule)" vertical={false} />
        <XAxis
          dataKey="months"
          type="number"
          domain={[0, 'dataMax']}
          tickFormatter={(months: number) => months.toFixed(0)}
          unit=" mo"
          stroke="var(--quiet)"
          fontSize={12}
        />
        <YAxis domain={[0, 100]} unit=" %" width={56} stroke="var(--quiet)" fontSize={12} />
        <Tooltip
          labelFormatter={(months) => `${Number(months).toFixed(1)} months`}
          formatter={(value) => `${Number(value).toFixed(0)} %`}
          contentStyle={{ background: 'var(--sheet)', border: '1px solid var(--rule)', color: 'var(--bs-body-color)' }}
        />
        <Legend />
        {lives.map((one, index) => {
          const look = LOOKS[index % LOOKS.length]!;
          return (
            <Line
              key={one.role}
              type="stepAfter"
              name={one.label}
              data={[
                { months: 0, share: 100 },
                ...one.steps.map((step) => ({ months: step.days / 30.4375, share: step.share * 100 })),
              ]}
              dataKey="share"
              stroke={look.stroke}
              strokeDasharray={look.dash}
              strokeWidth={2}
              dot={false}
              isAnimationActive={false}
            />
          );
        })}
      </LineChart>
    </ResponsiveContainer>
  );
}
