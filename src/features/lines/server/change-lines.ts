import { eq } from 'drizzle-orm';
import * as yup from 'yup';
import { violatedUnique } from '@/data/database-problem';
import { deviceLine, type LineKind } from '@/data/schema';
import { Problem } from '@/platform/problem';
import type { UseCaseContext } from '@/platform/use-case';

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

/** A device on a line. The gateway connects within a second. */
export async function addLine({ tx }: UseCaseContext, input: yup.InferType<typeof lineSchema>): Promise<{ id: string }> {
  try {
    const [row] = await tx
      .insert(deviceLine)
      .values({ ...input, kind: input.kind as LineKind })
      .returning({ id: deviceLine.id });
    return row!;
  } catch (error) {
    if (violatedUnique(error) === 'device_line_address')
      throw new Problem('This address is on the list already.', { port: 'On the list already.' }, 409);
    throw error;
  }
}

export async function removeLine({ tx }: UseCaseContext, { id }: { id: string }): Promise<void> {
  await tx.delete(deviceLine).where(eq(deviceLine.id, id));
}
