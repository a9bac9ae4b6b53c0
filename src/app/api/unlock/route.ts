import { unlockSchema, unlockScreen, type Unlocking } from '@/features/account/server';
import { route } from '@/platform/route';
import { parse, readJson } from '@/platform/shape';

/** Who goes on at a locked screen. */
export const POST = route(
  { permission: 'signedIn', withoutFactor: true, whileLocked: true, transaction: false, name: '/api/unlock' },
  async ({ tx, actor, now, request }) =>
    Response.json(await unlockScreen({ tx, actor, now }, (await parse(unlockSchema, await readJson(request))) as Unlocking)),
);
