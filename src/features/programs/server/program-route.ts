import { eq, sql } from 'drizzle-orm';
import { RateLimiterMemory, RateLimiterRes } from 'rate-limiter-flexible';
import { say } from '@/core/words/say';
import { database, type Transaction } from '@/data/connection';
import { programToken, programUse, type ProgramScope } from '@/data/schema';
import { dateIn } from '@/platform/clock';
import { Problem } from '@/platform/problem';
import { route } from '@/platform/route';
import { readSettings } from '@/platform/settings';
import { digestOf } from './tokens';
import '@/core/words/en/programs';

/** Requests of one token a minute, in each process of the house. */
const MOST_A_MINUTE = 120;
const limiter = new RateLimiterMemory({ points: MOST_A_MINUTE, duration: 60 });
/** Strangers that guess are slowed by where they come from. */
const guesses = new RateLimiterMemory({ points: 30, duration: 60 });
const SEEN_EVERY = sql`interval '1 minute'`;

async function slow(by: RateLimiterMemory, key: string): Promise<void> {
  try {
    await by.consume(key);
  } catch (error) {
    if (!(error instanceof RateLimiterRes)) throw error;
    const seconds = Math.ceil(error.msBeforeNext / 1000);
    throw new Problem(say({ code: 'programs.tooMany', numbers: { most: by.points, seconds } }), {}, 429, {
      code: 'tooMany',
    });
  }
}

/** Who asks by a token, and whether it may read this. Errors: Problem (401), (403), (429). */
async function admitProgram(tx: Transaction, request: Request, scope: ProgramScope, now: Date): Promise<void> {
  const token = /^Bearer (wbp_[\w-]{20,80})$/.exec(request.headers.get('authorization') ?? '')?.[1];
  if (!token) throw new Problem(say({ code: 'programs.noToken' }), {}, 401, { code: 'noToken' });
  const digest = digestOf(token);
  const [row] = await tx.select().from(programToken).where(eq(programToken.digest, digest));
  const today = dateIn((await readSettings(tx)).zone, now);
  if (!row || row.endedAt || row.goodUntil < today) {
    await slow(guesses, request.headers.get('x-forwarded-for') ?? 'here');
    throw new Problem(say({ code: 'programs.badToken' }), {}, 401, { code: 'badToken' });
  }
  await slow(limiter, row.id);
  if (!row.scopes.includes(scope))
    throw new Problem(say({ code: 'programs.notThis', numbers: { scope: say({ code: `programs.scope.${scope}` }) } }), {}, 403, {
      code: 'scope',
    });
  await tx
    .insert(programUse)
    .values({ tokenId: row.id, lastAt: now })
    .onConflictDoUpdate({
      target: programUse.tokenId,
      set: { lastAt: now },
      setWhere: sql`program_use.last_at < ${now.toISOString()}::timestamptz - ${SEEN_EVERY}`,
    });
}

/** One transaction that reads: what waits for something else does so outside of it. */
type Read = <T>(work: (tx: Transaction) => Promise<T>) => Promise<T>;

/** The wrapper of a route that programs read by a token: no session and no cookie counts there. */
export const programRoute = (
  name: string,
  scope: ProgramScope,
  answer: (context: { query: URLSearchParams; params: Record<string, string>; read: Read }) => Promise<Response>,
) =>
  route({ permission: 'public', name, transaction: false }, async ({ now, params, request }) => {
    await database().transaction((tx) => admitProgram(tx, request, scope, now));
    return answer({ query: new URL(request.url).searchParams, params, read: (work) => database().transaction(work) });
  });
