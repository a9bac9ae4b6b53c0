import { isIP } from 'node:net';
import { eq } from 'drizzle-orm';
import * as yup from 'yup';
import { say } from '@/core/words/say';
import { violatedUnique } from '@/data/database-problem';
import { deviceLine, type LineKind } from '@/data/schema';
import { deviceNetworks } from '@/instruments/allowed-network';
import { may } from '@/platform/permission';
import { Problem } from '@/platform/problem';
import { simulated } from '@/platform/simulated';
import type { UseCaseContext } from '@/platform/use-case';
import '@/core/words/en/answers';

const port = yup
  .number()
  .typeError('A port number.')
  .integer('A port number.')
  .min(1, 'A port number.')
  .max(65535, 'A port number.');

export const lineSchema = yup.object({
  kind: yup.string().oneOf(['instrument', 'tagReader', 'barometer', 'flowMeter', 'thermometer', 'hygrometer']).required(),
  name: yup.string().trim().max(80).required('Give it a name.'),
  host: yup
    .string()
    .trim()
    .matches(/^[\w.-]{1,120}$/, 'A host name or address.')
    .required('Where is it connected?'),
  port: port.required('Which port?'),
  panelPort: port.nullable().default(null),
});
export const changeLineSchema = lineSchema.omit(['panelPort']).shape({ id: yup.string().uuid().required() });

/**
 * A device on a line. The gateway connects within a second. Only an administrator says where the house connects to, and only within the networks that are allowed; a panel is taken where simulated devices may be.
 * Errors: Problem (403), beside the address, (409).
 */
export async function addLine(
  { tx, actor }: UseCaseContext,
  { panelPort, ...given }: yup.InferType<typeof lineSchema>,
): Promise<{ id: string }> {
  mayChangeLines(actor);
  const input = within({ ...given, panelPort });
  try {
    const [row] = await tx
      .insert(deviceLine)
      .values({ ...input, kind: input.kind as LineKind })
      .returning({ id: deviceLine.id });
    return row!;
  } catch (error) {
    if (violatedUnique(error) === 'device_line_address') throw taken();
    throw error;
  }
}

/**
 * Another name, kind or address of a device on the list. Its line is taken up anew at the new address.
 * Errors: as addLine, and Problem (404).
 */
export async function changeLine(
  { tx, actor }: UseCaseContext,
  { id, ...given }: yup.InferType<typeof changeLineSchema>,
): Promise<void> {
  mayChangeLines(actor);
  const [before] = await tx.select().from(deviceLine).where(eq(deviceLine.id, id)).for('update');
  if (!before) throw new Problem(say({ code: 'line.gone' }), {}, 404);
  const input = within({ ...given, panelPort: before.panelPort });
  const moved = before.host !== input.host || before.port !== input.port;
  try {
    await tx
      .update(deviceLine)
      .set({
        ...input,
        kind: input.kind as LineKind,
        // What the device at the old address said of itself is nothing that the new one said.
        ...(moved ? { hello: null, state: 'away' as const, reason: '', dropped: 0, droppedWhy: '' } : {}),
      })
      .where(eq(deviceLine.id, id));
  } catch (error) {
    if (violatedUnique(error) === 'device_line_address') throw taken();
    throw error;
  }
}

export async function removeLine({ tx, actor }: UseCaseContext, { id }: { id: string }): Promise<void> {
  mayChangeLines(actor);
  await tx.delete(deviceLine).where(eq(deviceLine.id, id));
}

function mayChangeLines(actor: UseCaseContext['actor']): void {
  if (!may(actor.role, 'office')) throw new Problem(say({ code: 'line.forbidden' }), {}, 403);
}

const taken = () => new Problem('This address is on the list already.', { port: 'On the list already.' }, 409);

/** Only within the networks that are allowed; a panel only where simulated devices may be. */
function within<Given extends { host: string; panelPort: number | null }>(given: Given): Given {
  // A name is looked up by the gateway, which says beside the line what became of it.
  if (isIP(given.host) && !deviceNetworks()(given.host)) {
    const sentence = say({ code: 'line.network' });
    throw new Problem(sentence, { host: sentence });
  }
  return { ...given, panelPort: simulated() ? given.panelPort : null };
}
