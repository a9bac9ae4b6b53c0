import { and, eq, sql } from 'drizzle-orm';
import * as yup from 'yup';
import { deviceLine, type LiveSaid } from '@/data/schema';
import type { Facts, Hello } from '@/core/live/said';
import type { LineState } from '@/instruments/line-reader';
import { parseLine } from '@/instruments/parse-line';
import { recordAudit } from '@/platform/audit';
import { Problem } from '@/platform/problem';
import type { UseCaseContext } from '@/platform/use-case';
import { BROWSER_SILENT_SECONDS, writeLineFrames, writeLineState } from './write-line';

const MOST_SAID = 400;

/** What a browser says of the device on its serial port: how the line is when that changed, and what the device said since the last time. */
export const reportSchema = yup.object({
  holder: yup.string().min(8).max(60).required(),
  hello: yup.object().required(),
  state: yup
    .object({
      state: yup
        .string()
        .oneOf(['connected', 'away'] as const)
        .required(),
      reason: yup.string().max(200).default(''),
      dropped: yup.number().integer().min(0).required(),
      droppedWhy: yup.string().max(300).default(''),
    })
    .nullable()
    .default(null),
  said: yup.array(yup.object().required()).max(MOST_SAID).default([]),
});
export type LineReport = yup.InferType<typeof reportSchema>;

/** Looked at again, whatever the browser has done with it: the same parser as for every line. */
function read<Type extends string>(what: object, types: readonly Type[]) {
  const parsed = parseLine(JSON.stringify(what));
  return parsed.ok && (types as readonly string[]).includes(parsed.said.type) ? parsed.said : null;
}

/** Takes in what a browser reads off its serial port. One screen a device; a device that a gateway reads already stays with the gateway. */
export async function reportLine(context: UseCaseContext, report: LineReport): Promise<{ line: string }> {
  const { tx } = context;
  const { facts, ...own } = report.hello as Hello & { facts?: Facts };
  const hello = read(own, ['hello']) as Hello | null;
  if (!hello) throw new Problem('The device did not say who it is in a way that is understood.', {}, 400);
  const known = facts ? (read(facts, ['facts']) as Facts | null) : null;
  const line = await lineFor(context, hello, report.holder);
  if (report.state)
    await writeLineState(tx, line, { ...report.state, hello: { ...hello, ...(known ? { facts: known } : {}) } } as LineState);
  else await tx.update(deviceLine).set({ seenAt: new Date() }).where(eq(deviceLine.id, line));
  const said = report.said.flatMap((one) => (read(one, ['frame', 'notice', 'tag']) as LiveSaid | null) ?? []);
  if (said.length) await writeLineFrames(tx, line, said);
  return { line };
}

async function lineFor(context: UseCaseContext, hello: Hello, holder: string): Promise<string> {
  const { tx } = context;
  // Two screens that begin at the same moment come one after the other.
  await tx.execute(sql`select pg_advisory_xact_lock(hashtext(${`${hello.maker}/${hello.serial}`.toLowerCase()}))`);
  const rows = await tx
    .select()
    .from(deviceLine)
    .where(
      and(sql`lower(${deviceLine.maker}) = lower(${hello.maker})`, sql`upper(${deviceLine.serial}) = upper(${hello.serial})`),
    );
  if (rows.some((row) => row.via === 'tcp' && row.state === 'connected'))
    throw new Problem(`${hello.maker} ${hello.serial} is on a line of the gateway already.`, {}, 409);
  const mine = rows.find((row) => row.via === 'browser');
  if (mine?.holder === holder) return mine.id;
  const fresh = Date.now() - (mine?.seenAt?.getTime() ?? 0) < BROWSER_SILENT_SECONDS * 1000;
  if (mine?.state === 'connected' && fresh)
    throw new Problem(`Another screen reads ${hello.maker} ${hello.serial} at this moment.`, {}, 409);
  await recordAudit(context, 'openSerialPort', `${hello.maker} ${hello.model} ${hello.serial}`);
  if (mine) {
    await tx.update(deviceLine).set({ holder }).where(eq(deviceLine.id, mine.id));
    return mine.id;
  }
  const [row] = await tx
    .insert(deviceLine)
    .values({
      kind: hello.device ?? 'instrument',
      name: `${hello.maker} ${hello.serial}`.slice(0, 80),
      host: `serial ${hello.maker} ${hello.serial}`.toLowerCase(),
      port: 1,
      via: 'browser',
      holder,
      maker: hello.maker,
      serial: hello.serial,
    })
    .returning({ id: deviceLine.id });
  return row!.id;
}
