import * as yup from 'yup';
import { lockScreen } from '@/features/account/server';
import { route } from '@/platform/route';
import { parse, readJson } from '@/platform/shape';

const schema = yup.object({ act: yup.string().oneOf(['present', 'lock']).required() });

/** A hand is at this computer, which is all that is asked; or its screen is locked. By a route, since what a locked screen covers is not drawn anew. */
export const POST = route(
  { permission: 'signedIn', withoutFactor: true, name: '/api/screen' },
  async ({ tx, actor, now, request }) => {
    const { act } = await parse(schema, await readJson(request));
    if (act === 'lock') await lockScreen({ tx, actor, now });
    return Response.json({ ok: true });
  },
);
