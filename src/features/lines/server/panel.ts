import { connect } from 'node:net';
import { eq } from 'drizzle-orm';
import * as yup from 'yup';
import { deviceLine } from '@/data/schema';
import { Problem } from '@/platform/problem';
import type { UseCaseContext } from '@/platform/use-case';

const ANSWER_WITHIN_MS = 3000;
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

/** Says it to the stand-in's panel port and gives back what it answered. Only lines that have a panel are simulated ones. */
export async function askPanel(
  { tx }: UseCaseContext,
  { lineId, ...ask }: yup.InferType<typeof panelSchema>,
): Promise<Record<string, unknown>> {
  const [line] = await tx.select().from(deviceLine).where(eq(deviceLine.id, lineId));
  if (!line?.panelPort) throw new Problem('This device has no panel: it is no simulated one.', {}, 404);
  return talk(line.host, line.panelPort, { type: 'world', ...ask });
}

function talk(host: string, port: number, ask: object): Promise<Record<string, unknown>> {
  return new Promise((resolve, reject) => {
    const socket = connect({ host, port });
    const away = (why: string) => {
      socket.destroy();
      reject(new Problem(`The simulated instrument does not answer: ${why}.`, {}, 409));
    };
    const timer = setTimeout(() => away('no answer in time'), ANSWER_WITHIN_MS);
    let text = '';
    socket.setEncoding('utf8');
    socket.on('error', (error) => {
      clearTimeout(timer);
      away(error.message);
    });
    socket.on('connect', () => socket.write(`${JSON.stringify(ask)}\n`));
    socket.on('data', (piece) => {
      text += String(piece);
      if (!text.includes('\n')) return;
      clearTimeout(timer);
      socket.end();
      resolve(JSON.parse(text.split('\n')[0]!) as Record<string, unknown>);
    });
  });
}
