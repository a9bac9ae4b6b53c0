import { reportLine, reportSchema } from '@/features/lines/server';
import { route } from '@/platform/route';
import { parse, readJson } from '@/platform/shape';

/** What a browser reads off its serial port, a few times a second. */
export const POST = route(
  { permission: 'bench', name: '/api/lines', whileLocked: true, byItself: true },
  async ({ tx, actor, now, request }) =>
    Response.json(
      await reportLine({ tx, actor, now }, await parse(reportSchema, await readJson(request), { stripUnknown: false })),
    ),
);
