import * as yup from 'yup';
import { holdHand } from '@/features/lines/server';
import { route } from '@/platform/route';
import { parse, readJson } from '@/platform/shape';

const schema = yup.object({
  run: yup.string().uuid().required(),
  screen: yup.string().min(8).max(60).required(),
  take: yup.boolean().default(false),
});

/** Which screen captures: kept by saying so again, taken over on demand. */
export const POST = route(
  { permission: 'bench', name: '/api/hand', whileLocked: true, byItself: true },
  async ({ tx, actor, now, request }) =>
    Response.json(await holdHand({ tx, actor, now }, await parse(schema, await readJson(request)))),
);
