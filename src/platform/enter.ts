import { createAuthEndpoint } from 'better-auth/api';
import { setSessionCookie } from 'better-auth/cookies';
import * as z from 'zod';

/**
 * A door of the sign-in library that is called from this house alone (no route of the library is mounted): a session for somebody who said who they are in another way than by password, a passkey or a badge at a computer
 * where they signed in that day. `since`: when all that is asked was last asked of them; the session ends so many hours after it.
 */
export const enterPlugin = {
  id: 'house-enter',
  endpoints: {
    enterAs: createAuthEndpoint(
      '/house/enter',
      { method: 'POST', body: z.object({ userId: z.string(), since: z.string() }), metadata: { SERVER_ONLY: true } },
      async (ctx) => {
        const person = await ctx.context.internalAdapter.findUserById(ctx.body.userId);
        if (!person) throw ctx.error('NOT_FOUND');
        const session = await ctx.context.internalAdapter.createSession(person.id, false, {
          signedInAt: new Date(ctx.body.since),
        });
        await setSessionCookie(ctx, { session, user: person });
        return ctx.json({ userId: person.id });
      },
    ),
  },
} as const;
