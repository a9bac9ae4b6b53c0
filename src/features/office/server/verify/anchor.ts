import { createPrivateKey } from 'node:crypto';
import { setTimeout as sleep } from 'node:timers/promises';
import { sql } from 'drizzle-orm';
import { CompactSign, compactVerify, importJWK } from 'jose';
import * as yup from 'yup';
import { canonicalJson } from '@/core/certificate/canonical';
import type { Database, Transaction } from '@/data/connection';
import { ownKey, publishedKeys, type PublicKey } from '@/features/certificates/server';
import { addFault, type VerifyReport } from './report';

/** How many rows one figure of an anchor stands for: few enough that what is wrong is found by looking. */
const SEGMENT = 100;

/** Long enough for a row whose place was drawn to become its transaction's. */
const SETTLE_MS = 200;
const PATIENCE_MS = 60_000;

/** Chains whose order is fixed, and the column that they are counted by. */
const STREAMS = { run_event: 'ord', audit: 'id', change_log: 'id' } as const;
type Stream = keyof typeof STREAMS;

interface Head {
  upTo: number;
  segments: string[];
}
export interface AnchorContent {
  version: 1;
  at: string;
  keys: PublicKey[];
  heads: Record<Stream, Head>;
}
/** What stands outside the database: the key set and the heads of the chains as they were, signed. */
export interface Anchor {
  content: AnchorContent;
  jws: string;
}

const headSchema = yup.object({
  upTo: yup.number().integer().min(0).required(),
  segments: yup
    .array(
      yup
        .string()
        .matches(/^[0-9a-f]{64}$/)
        .required(),
    )
    .required(),
});
const contentSchema = yup.object({
  version: yup.number().oneOf([1]).required(),
  at: yup.string().required(),
  keys: yup
    .array(yup.object({ kid: yup.string().required(), x: yup.string().required() }).required())
    .min(1)
    .required(),
  heads: yup.object({ run_event: headSchema, audit: headSchema, change_log: headSchema }),
});

/** The heads of all chains as they are now, signed with the house's key. Nothing that is being written while it is made is in it. */
export async function makeAnchor(db: Database, now: Date): Promise<Anchor> {
  const heads = {} as Record<Stream, Head>;
  const ends = await settledEnds(db);
  for (const stream of Object.keys(STREAMS) as Stream[])
    heads[stream] = { upTo: ends[stream], segments: await segmentsOf(db, stream, ends[stream]) };
  const content: AnchorContent = { version: 1, at: now.toISOString(), keys: await publishedKeys(), heads };
  const jws = await new CompactSign(new TextEncoder().encode(canonicalJson(content)))
    .setProtectedHeader({ alg: 'EdDSA', kid: content.keys[0]!.kid })
    .sign(createPrivateKey(ownKey().private));
  return { content, jws };
}

/**
 * Up to where nothing can come any more. A place in the order is drawn before its row can be seen: whoever was writing when the last place was read is waited for, and then all up to it is there, or never will be.
 */
async function settledEnds(db: Database): Promise<Record<Stream, number>> {
  const { rows } = await db.execute<Record<Stream, string>>(
    sql`select coalesce((select max(ord) from run_event), 0) as run_event, coalesce((select max(id) from audit), 0) as audit, coalesce((select max(id) from change_log), 0) as change_log`,
  );
  const [row] = rows;
  await sleep(SETTLE_MS);
  const { rows: now } = await db.execute<{ xmax: string }>(sql`select pg_snapshot_xmax(pg_current_snapshot())::text as xmax`);
  for (const end = Date.now() + PATIENCE_MS; ;) {
    if (Date.now() > end) throw new Error('somebody has been writing for a minute: no anchor was made');
    const { rows: still } = await db.execute<{ done: boolean }>(
      sql`select pg_snapshot_xmin(pg_current_snapshot())::text::bigint >= ${now[0]!.xmax}::bigint as done`,
    );
    if (still[0]!.done) break;
    await sleep(SETTLE_MS);
  }
  return { run_event: Number(row!.run_event), audit: Number(row!.audit), change_log: Number(row!.change_log) };
}

async function segmentsOf(db: Database | Transaction, stream: Stream, upTo: number): Promise<string[]> {
  const place = sql.identifier(STREAMS[stream]);
  const { rows } = await db.execute<{ segment: number; digest: string }>(sql`
    select ((${place} - 1) / ${SEGMENT}::bigint)::int as segment, encode(sha256(convert_to(string_agg(hash, ',' order by ${place}), 'UTF8')), 'hex') as digest
    from ${sql.identifier(stream)} where ${place} <= ${upTo} group by 1 order by 1`);
  const segments = Array<string>(upTo ? Math.ceil(upTo / SEGMENT) : 0).fill('0'.repeat(64));
  for (const { segment, digest } of rows) segments[segment] = digest;
  return segments;
}

/** An anchor as it was written, with its signature checked by a key that it names itself: it is believed because of where it was kept. Errors: Error in words. */
export async function readAnchor(jws: string): Promise<Anchor> {
  const [, payload] = jws.trim().split('.');
  const content = (await contentSchema.validate(
    JSON.parse(Buffer.from(payload ?? '', 'base64url').toString()),
  )) as unknown as AnchorContent;
  for (const key of content.keys) {
    const held = await compactVerify(jws.trim(), await importJWK(key, 'EdDSA')).catch(() => null);
    if (held) return { content, jws };
  }
  throw new Error('the anchor’s signature does not hold');
}

/** Holds the chains against the anchor: what was redone since, or is missing at the end, is named by its place. */
export async function checkAnchor(tx: Transaction, report: VerifyReport, { content }: Anchor): Promise<void> {
  report.anchor = content.at;
  for (const stream of Object.keys(STREAMS) as Stream[]) {
    const { upTo, segments } = content.heads[stream];
    const now = await segmentsOf(tx, stream, upTo);
    for (let i = 0; i < segments.length; i += 1)
      if (now[i] !== segments[i]) {
        const [from, to] = [i * SEGMENT + 1, Math.min(upTo, (i + 1) * SEGMENT)];
        addFault(
          report,
          `${stream} ${from} to ${to}${await namesIn(tx, stream, from, to)}`,
          `it is not what it was on ${content.at}`,
        );
      }
  }
}

/** Of what the rows of a segment are, so that somebody can look. */
async function namesIn(tx: Transaction, stream: Stream, from: number, to: number): Promise<string> {
  const name = { run_event: sql`'run ' || run_id`, audit: sql`action`, change_log: sql`table_name || ' ' || row_key` }[stream];
  const place = sql.identifier(STREAMS[stream]);
  const { rows } = await tx.execute<{ name: string }>(
    sql`select distinct ${name} as name from ${sql.identifier(stream)} where ${place} between ${from} and ${to} order by 1`,
  );
  return rows.length ? ` (${rows.map((row) => row.name).join(', ')})` : '';
}
