import { and, eq } from 'drizzle-orm';
import type { Actor } from '@/core/record/event';
import type { Transaction } from '@/data/connection';
import { asset, instrumentModel } from '@/data/schema';
import { keepSamples } from '@/features/counter/server';
import { writeModelKey } from '@/features/bench/server';

/** How steps go on the demo's models, as its technicians wrote it; invented. */
const KEYS: [model: string, step: string, text: string, secret?: string][] = [
  ['VT-5P', 'quick', 'At switch-on it asks “QUICK SET?”: down arrow, not OK.'],
  [
    'VT-5P',
    'pass/try/zeroing/zero',
    'Hold both arrows 4 s, code, menu 2, “FULL ZERO”; it counts 60 s and shows five ticks.',
    '0451',
  ],
  ['VT-5P', 'found', 'Leave the pump on; the figures blink until they stand still.'],
  ['OF-410', 'auto-zero', 'One tick a gas in the lower row; a cross is a failed one.'],
  ['OF-410', 'span/try/adjust', 'Arrow to the gas, OK, set the value, OK again: it beeps twice when it has taken it.'],
  ['SM-11', 'sheets/ph/round/set-seven-set', 'Hold CAL 3 s until 7.0 blinks, then let go: it goes on by itself.'],
];
/** What some customers measure, as told at the counter. */
const SAMPLES: [serialOf: string, samples: { ph?: string; conductivity?: string }][] = [
  ['SM-11', { ph: '7.5', conductivity: '1500' }],
  ['SM-35', { ph: '8.5', conductivity: '900' }],
  ['PG-22', { ph: '6.5' }],
];

/** What is written once and serves every visit afterwards. */
export async function writtenOnce(tx: Transaction, actor: Actor, now: Date): Promise<void> {
  for (const [name, step, text, secret = ''] of KEYS) {
    const [model] = await tx.select().from(instrumentModel).where(eq(instrumentModel.name, name));
    await writeModelKey(
      { tx, actor, now },
      { modelId: model!.id, procedureId: model!.procedureId!, step, after: 0, text, secret },
    );
  }
  for (const [name, samples] of SAMPLES) {
    const [first] = await tx
      .select({ id: asset.id })
      .from(asset)
      .innerJoin(instrumentModel, and(eq(instrumentModel.id, asset.modelId), eq(instrumentModel.name, name)))
      .orderBy(asset.serial)
      .limit(1);
    await keepSamples({ tx, actor, now }, { assetId: first!.id, ...samples });
  }
}
