import { addHours, subDays } from 'date-fns';
import type { Actor } from '@/core/record/event';
import type { Transaction } from '@/data/connection';
import { explainPoint, keepComparison, keepPoint, makeChart } from '@/features/control/server';
import type { Random } from './random';

type As = <T>(actor: Actor, work: (tx: Transaction) => Promise<T>) => Promise<T>;

/** What the workshop reads again and again, and how it compares with others: a buffer that is steady, a kept monitor that creeps, one comparison that does not agree. */
export async function controlCharts(
  as: As,
  { technician, signatory }: { technician: Actor; signatory: Actor },
  random: Random,
  now: Date,
): Promise<void> {
  const begin = (given: Omit<Parameters<typeof makeChart>[1], 'referenceId'>, days: number) =>
    as(technician, (tx) => makeChart({ tx, actor: technician, now: subDays(now, days) }, { ...given, referenceId: null }));
  const read = async (chartId: string, days: number, value: string, note = '') =>
    (
      await as(technician, (tx) =>
        keepPoint({ tx, actor: technician, now: addHours(subDays(now, days), -2) }, { chartId, value, note }),
      )
    ).id;

  const buffer = await begin(
    {
      name: 'Buffer 7.00, meter of the bench',
      kind: 'checkStandard',
      unit: 'pH',
      resolution: '0.01',
      how: 'Each Monday, at room temperature, after two minutes.',
    },
    210,
  );
  for (let week = 0; week < 28; week += 1) {
    const odd = week === 19;
    const id = await read(
      buffer.id,
      208 - week * 7,
      (7.01 + random.normal() * 0.008 + (odd ? 0.07 : 0)).toFixed(2),
      odd ? 'cap was off overnight' : '',
    );
    if (odd)
      await as(signatory, (tx) =>
        explainPoint(
          { tx, actor: signatory, now: subDays(now, 208 - week * 7 - 1) },
          { pointId: id, explained: 'The bottle of buffer stood open overnight; a fresh one reads 7.01.', anew: false },
        ).catch(() => undefined),
      );
  }
  const kept = await begin(
    {
      name: 'Kept OF-410, CO at 100 ppm',
      kind: 'shelfInstrument',
      unit: 'ppm',
      resolution: '1',
      how: 'Never adjusted; read on the working bottle each fortnight.',
    },
    320,
  );
  for (let n = 0; n < 22; n += 1)
    await read(kept.id, 318 - n * 14, (100 + random.normal() * 1.1 - Math.max(0, n - 15) * 0.55).toFixed(0));
  const compare = (days: number, what: string, unit: string, figures: [string, string, string, string], note = '') =>
    as(technician, (tx) =>
      keepComparison(
        { tx, actor: technician, now: subDays(now, days) },
        {
          onDay: subDays(now, days).toISOString().slice(0, 10),
          withWhom: 'Laboratory of the harbour authority',
          what,
          unit,
          value: figures[0],
          expanded: figures[1],
          reference: figures[2],
          referenceExpanded: figures[3],
          note,
        },
      ),
    );
  await compare(150, 'pH of a buffered sample', 'pH', ['6.86', '0.03', '6.87', '0.02']);
  await compare(150, 'CO on one monitor', 'ppm', ['98', '3', '100', '2']);
  await compare(150, 'H₂S on one monitor', 'ppm', ['21.4', '1.0', '23.2', '0.8'], 'their bottle is three weeks younger');
}
