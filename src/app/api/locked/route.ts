import * as yup from 'yup';
import { gasOff, lockedStrip } from '@/features/bench/server';
import { route } from '@/platform/route';
import { parse, readJson } from '@/platform/shape';

const schema = yup.object({ run: yup.string().uuid().required() });

/** What a locked screen still shows: the bench's clocks and gas. */
export const GET = route({ permission: 'signedIn', whileLocked: true, name: '/api/locked' }, async ({ tx }) =>
  Response.json(await lockedStrip({ tx })),
);

/** Gas off, from a locked screen too. */
export const POST = route(
  { permission: 'signedIn', whileLocked: true, name: '/api/locked' },
  async ({ tx, actor, now, request }) => {
    await gasOff({ tx, actor, now }, await parse(schema, await readJson(request)));
    return Response.json({ ok: true });
  },
);
