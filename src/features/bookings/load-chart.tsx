'use client';
import { Bar, ComposedChart, Legend, ReferenceLine, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import { fitOf, type Ceiling, type WeekLoad } from '@/core/booking/week-load';
import { say } from '@/core/words/say';
import { day } from '@/ui/format';
import '@/core/words/en/bookings';

const HEIGHT = 260;
const short = (week: string) => day(week).replace(/ \d{4}$/, '');

/** Instruments of each week: what is booked, what is due, and what goes beyond the ceiling, told apart by pattern as well. */
export function LoadChart({ weeks, ceiling }: { weeks: readonly WeekLoad[]; ceiling: Ceiling }) {
  const data = weeks.map((one) => ({ week: short(one.week), ...fitOf(one, ceiling) }));
  return (
    <ResponsiveContainer width="100%" height={HEIGHT}>
      <ComposedChart data={data} margin={{ top: 8, right: 12, bottom: 4, left: 0 }}>
        <defs>
          <pattern id="beyond" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <rect width="6" height="6" fill="var(--outside)" opacity="0.25" />
            <line x1="0" y1="0" x2="0" y2="6" stroke="var(--outside)" strokeWidth="3" />
          </pattern>
        </defs>
        <XAxis dataKey="week" stroke="var(--quiet)" fontSize={12} interval={0} />
        <YAxis allowDecimals={false} stroke="var(--quiet)" fontSize={12} width={36} />
        <Tooltip />
        <Legend />
        <Bar dataKey="booked" name={say({ code: 'load.booked' })} stackId="n" fill="var(--within)" isAnimationActive={false} />
        <Bar
          dataKey="due"
          name={say({ code: 'load.due' })}
          stackId="n"
          fill="var(--rule)"
          stroke="var(--quiet)"
          isAnimationActive={false}
        />
        <Bar
          dataKey="beyond"
          name={say({ code: 'load.beyond' })}
          stackId="n"
          fill="url(#beyond)"
          stroke="var(--outside)"
          isAnimationActive={false}
        />
        {ceiling.instruments !== null && (
          <ReferenceLine y={ceiling.instruments} stroke="var(--bs-body-color)" strokeDasharray="6 3" />
        )}
      </ComposedChart>
    </ResponsiveContainer>
  );
}
