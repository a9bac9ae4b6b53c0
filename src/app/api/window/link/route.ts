import { sql } from 'drizzle-orm';
import { askSchema } from '@/features/window/server';
import { route } from '@/platform/route';
import { parse } from '@/platform/shape';

/** Asks for a link by mail. The answer is the same whoever asks. */
export const POST = route({ permission: 'public', name: '/api/window/link', byItself: true }, async ({ tx, request }) => {
  const { email } = await parse(askSchema, await request.json());
  await tx.execute(sql`select window_ask(${email})`);
  return Response.json({ asked: true });
});
