import { createHash } from 'node:crypto';
import type { drizzleAdapter } from 'better-auth/adapters/drizzle';

type MakeAdapter = ReturnType<typeof drizzleAdapter>;
type Adapter = ReturnType<MakeAdapter>;
interface Where {
  field: string;
  value: unknown;
}

/** What of a session's token stands in the database: whoever reads a backup can't sign in with it. */
export const tokenDigest = (token: string): string => createHash('sha256').update(`session ${token}`).digest('hex');

const digestIn = (value: unknown): unknown =>
  typeof value === 'string' ? tokenDigest(value) : Array.isArray(value) ? value.map(digestIn) : value;
const hidden = (where: Where[] | undefined): Where[] | undefined =>
  where?.map((one) => (one.field === 'token' ? { ...one, value: digestIn(one.value) } : one));
const tokenOf = (where: Where[] | undefined): string | null => {
  const value = where?.find((one) => one.field === 'token')?.value;
  return typeof value === 'string' ? value : null;
};
const shown = (row: unknown, token: string | null): unknown =>
  row && typeof row === 'object' && token ? { ...row, token } : row;

/**
 * The sign-in library's adapter with the tokens of sessions hashed on their way into the database and in every question about them; the library itself keeps seeing the token that the browser holds.
 */
export function withHashedSessions(make: MakeAdapter): MakeAdapter {
  return ((options: Parameters<MakeAdapter>[0]) =>
    wrap(make(options) as unknown as Record<string, unknown>)) as unknown as MakeAdapter;
}

interface Asked {
  model: string;
  where?: Where[];
  data?: Record<string, unknown>;
  update?: Record<string, unknown>;
}
type Call = (asked: Asked) => Promise<unknown>;

function wrap(adapter: Record<string, unknown>): Adapter {
  const ask = (name: string): Call => {
    const call = (adapter[name] as Call).bind(adapter);
    return async (asked) => {
      if (asked.model !== 'session') return call(asked);
      const written = asked.data ?? asked.update;
      const token = typeof written?.token === 'string' ? written.token : tokenOf(asked.where);
      const sent = {
        ...asked,
        ...(asked.where ? { where: hidden(asked.where)! } : {}),
        ...(asked.data ? { data: withDigest(asked.data) } : {}),
        ...(asked.update ? { update: withDigest(asked.update) } : {}),
      };
      const answer = await call(sent);
      return Array.isArray(answer) ? answer : shown(answer, token);
    };
  };
  const names = ['create', 'findOne', 'findMany', 'update', 'updateMany', 'delete', 'deleteMany', 'count'];
  const hashed = { ...adapter, ...Object.fromEntries(names.filter((name) => name in adapter).map((name) => [name, ask(name)])) };
  // Where the library asks for a transaction it goes on with this adapter, never with the one inside.
  return { ...hashed, transaction: (work: (inner: unknown) => unknown) => work(hashed) } as unknown as Adapter;
}

const withDigest = (row: Record<string, unknown>): Record<string, unknown> =>
  typeof row.token === 'string' ? { ...row, token: tokenDigest(row.token) } : row;
