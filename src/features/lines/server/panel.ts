import { randomUUID } from 'node:crypto';
import { eq } from 'drizzle-orm';
import * as yup from 'yup';
import { database } from '@/data/connection';
import { deviceLine, panelAsk } from '@/data/schema';
import { hearing, onChange, tellChange } from '@/platform/change-stream';
import { need } from '@/platform/need';
import { Problem } from '@/platform/problem';
import { simulated } from '@/platform/simulated';
import type { UseCaseContext } from '@/platform/use-case';

const ANSWER_WITHIN_MS = 4500;
const amount = yup.number().min(0).max(1_000_000).required();

/** What a hand does at a simulated instrument: valve, tube, scrubber, inlet, keys. Real hardware has hands instead. */
export const panelSchema = yup.object({
  lineId: yup.string().uuid().required(),
  mixture: yup.lazy((given: unknown) =>
    given && typeof given === 'object'
      ? yup.object(
          Object.fromEntries(
            Object.keys(given)
              .slice(0, 20)
              .map((key) => [key, amount]),
          ),
        )
      : yup.mixed<never>().nullable().optional(),
  ),
  blocked: yup.boolean().optional(),
  filter: yup.string().oneOf(['none', 'co2', 'charcoal']).optional(),
  regulator: yup.string().oneOf(['demand', 'fixed']).optional(),
  pressureHPa: yup.number().min(500).max(1100).optional(),
  tag: yup.string().max(60).optional(),
  /** What a meter's probe is dipped into; null lifts it out. */
  poured: yup
    .object({
      poured: yup
        .array(
          yup.object({
            substance: yup.string().max(40).required(),
            value: yup.string().max(20).required(),
            unit: yup.string().max(10).required(),
            table: yup.array(yup.array(yup.number().required()).length(2).required()).max(40).optional().default(undefined),
          }),
        )
        .min(1)
        .max(12)
        .required(),
      temperatureC: yup.number().min(-5).max(60).optional(),
    })
    .nullable()
    .optional()
    .default(undefined),
  sleeve: yup.boolean().optional(),
  care: yup.string().oneOf(['stir', 'clean', 'soak', 'blot', 'membrane']).optional(),
  key: yup
    .object({
      key: yup.string().oneOf(['zero', 'span', 'save', 'acknowledge', 'pump', 'clock', 'due', 'discard']).required(),
      slot: yup.number().integer().min(1).max(32).optional(),
      value: yup.string().max(40).optional(),
    })
    .optional()
    .default(undefined),
});
export type PanelAsk = Omit<yup.InferType<typeof panelSchema>, 'lineId'>;

/**
 * Asks the gateway to do it at the stand-in's panel, and gives back what that answered. Only lines that have a panel are simulated ones, and only demo and practice have them.
 * Holds no connection while it waits. Errors: Problem (404), (409).
 */
export async function askPanel(
  _context: UseCaseContext,
  { lineId, ...ask }: yup.InferType<typeof panelSchema>,
): Promise<Record<string, unknown>> {
  need(_context.actor, 'bench');
  const db = database();
  const [line] = await db.select().from(deviceLine).where(eq(deviceLine.id, lineId));
  if (!line?.panelPort || !simulated()) throw new Problem('This device has no panel: it is no simulated one.', {}, 404);
  const id = randomUUID();
  await hearing();
  const answered = answerOf(id);
  await db.insert(panelAsk).values({ id, lineId, ask, askedAt: new Date() });
  await tellChange(db, 'panel_ask', id);
  await answered;
  const [row] = await db.delete(panelAsk).where(eq(panelAsk.id, id)).returning();
  if (row?.answer) return row.answer;
  throw new Problem(`The simulated instrument does not answer: ${row?.problem ?? 'the gateway is away'}.`, {}, 409);
}

/** Until the gateway has said that it is answered, or long enough. */
function answerOf(id: string): Promise<void> {
  return new Promise((resolve) => {
    const done = () => {
      clearTimeout(timer);
      stop();
      resolve();
    };
    const timer = setTimeout(done, ANSWER_WITHIN_MS);
    const stop = onChange((channel, payload) => {
      if (channel === 'panel_answer' && payload === id) done();
    });
  });
}
