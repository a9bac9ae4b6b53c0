import { sql } from 'drizzle-orm';
import type { drizzleAdapter } from 'better-auth/adapters/drizzle';
import { database } from '@/data/connection';

type MakeAdapter = ReturnType<typeof drizzleAdapter>;
type Adapter = ReturnType<MakeAdapter>;
interface Update {
  model: string;
  where: { field: string; value: unknown }[];
  update: Record<string, unknown>;
}

/**
 * The sign-in library's adapter, where it says that somebody has a second factor or has none any more: the application may not write people, so the owner's function does it. Any other change of a person by the library is
 * refused by the database, as before.
 */
export function withSecondFactorFlag(make: MakeAdapter): MakeAdapter {
  return ((options: Parameters<MakeAdapter>[0]) => {
    const adapter = make(options) as unknown as Record<string, unknown> & {
      update: (asked: Update) => Promise<unknown>;
      findOne: (asked: { model: string; where: Update['where'] }) => Promise<unknown>;
    };
    const update = async (asked: Update) => {
      const { twoFactorEnabled, updatedAt, ...more } = asked.update;
      void updatedAt;
      const person = asked.where.find((one) => one.field === 'id')?.value;
      if (
        asked.model !== 'user' ||
        typeof twoFactorEnabled !== 'boolean' ||
        typeof person !== 'string' ||
        Object.keys(more).length
      )
        return adapter.update(asked);
      await database().execute(sql`select set_second_factor(${person}, ${twoFactorEnabled})`);
      return adapter.findOne({ model: 'user', where: asked.where });
    };
    return { ...adapter, update } as unknown as Adapter;
  }) as unknown as MakeAdapter;
}
