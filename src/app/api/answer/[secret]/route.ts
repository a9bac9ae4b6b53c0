import { givenAnswerSchema, giveAnswer } from '@/features/questions/server';
import { route } from '@/platform/route';

/** A customer's answer, by the form of the page; whatever came of it, the page says where it stands. */
export const POST = route(
  {
    permission: 'public',
    name: '/api/answer/[secret]',
    takes: ['application/x-www-form-urlencoded', 'multipart/form-data'],
    byItself: true,
  },
  async ({ tx, params, request }) => {
    const given = Object.fromEntries(await request.formData());
    const back = `/answer/${params.secret!}`;
    const answer = await givenAnswerSchema.validate(given).catch(() => null);
    if (!answer) return new Response(null, { status: 303, headers: { location: `${back}?name=needed` } });
    await giveAnswer(tx, params.secret!, answer);
    return new Response(null, { status: 303, headers: { location: back } });
  },
);
