'use client';
import { CartesianGrid, Legend, Line, LineChart, ReferenceLine, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import { dayIn } from '@/ui/format';

const COLOURS = ['var(--within)', 'var(--cannot)', 'var(--bs-body-color)', '#7a5c99', '#4f8a8b', '#b08968'];
const DASHES = ['', '6 3', '2 2', '8 2 2 2', '1 3', '10 4'];

/** How each channel came, calibration by calibration, in per cent of its tolerance. */
export function HistoryChart({
  points,
  zone,
}: {
  points: readonly { at: string; label: string; percent: number }[];
  zone: string;
}) {
  const labels = [...new Set(points.map((one) => one.label))];
  const rows = [...new Set(points.map((one) => one.at))].map((at) => ({
    at: dayIn(at, zone),
    ...Object.fromEntries(points.filter((one) => one.at === at).map((one) => [one.label, Math.round(one.percent)])),
  }));
  return (
    <ResponsiveContainer width="100%" height={220}>
      <LineChart data={rows} margin={{ top: 8, right: 12, bottom: 4, left: 0 }}>
        <CartesianGrid stroke="var(--rule)" vertical={false} />
        <XAxis dataKey="at" stroke="var(--quiet)" fontSize={11} />
        <YAxis stroke="var(--quiet)" fontSize={12} width={40} unit="%" domain={[0, 'auto']} />
        <Tooltip />
        <Legend />
        <ReferenceLine y={100} stroke="var(--outside)" strokeDasharray="4 3" />
        {labels.map((label, index) => (
          <Line
            key={label}
            dataKey={label}
            stroke={COLOURS[index % COLOURS.length]!}
            strokeDasharray={DASHES[index % DASHES.length]!}
            strokeWidth={2}
            dot={{ r: 3 }}
            isAnimationActive={false}
          />
        ))}
      </LineChart>
    </ResponsiveContainer>
  );
}
