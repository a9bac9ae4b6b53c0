'use client';
import { Bar, BarChart, Legend, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import { CAUSES } from '@/core/record/nonconformity';
import { say } from '@/core/words/say';
import '@/core/words/en/register';

const HEIGHT_OF_A_MODEL = 34;
/** Told apart without colour as well: each step of grey and colour stands in the order of the legend. */
const FILLS = [
  'var(--within)',
  'var(--outside)',
  'var(--cannot)',
  'var(--quiet)',
  'var(--bs-body-color)',
  '#7a5c99',
  '#4f8a8b',
  '#b08968',
  '#6b705c',
  '#a3b18a',
];

/** Entries by model and cause. */
export function CountsChart({ counts }: { counts: { model: string; cause: string; n: number }[] }) {
  const models = [...new Set(counts.map((one) => one.model))];
  const data = models.map((model) => ({
    model,
    ...Object.fromEntries(counts.filter((one) => one.model === model).map((one) => [one.cause || 'stillOpen', one.n])),
  }));
  const there = CAUSES.filter((cause) => counts.some((one) => one.cause === cause));
  return (
    <ResponsiveContainer width="100%" height={70 + models.length * HEIGHT_OF_A_MODEL}>
      <BarChart data={data} layout="vertical" margin={{ top: 4, right: 16, bottom: 4, left: 4 }}>
        <XAxis type="number" allowDecimals={false} stroke="var(--quiet)" fontSize={12} />
        <YAxis type="category" dataKey="model" width={150} stroke="var(--quiet)" fontSize={12} />
        <Tooltip />
        <Legend />
        <Bar
          dataKey="stillOpen"
          name={say({ code: 'register.stillOpen' })}
          stackId="n"
          fill="var(--rule)"
          isAnimationActive={false}
        />
        {there.map((cause) => (
          <Bar
            key={cause}
            dataKey={cause}
            name={say({ code: `register.cause.${cause}` })}
            stackId="n"
            fill={FILLS[CAUSES.indexOf(cause)]!}
            isAnimationActive={false}
          />
        ))}
      </BarChart>
    </ResponsiveContainer>
  );
}
