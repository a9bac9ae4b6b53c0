import { Agent, request } from 'node:http';
import { createHash, createHmac, randomBytes } from 'node:crypto';
import type { Pool } from 'pg';
import { SESSION_COOKIE } from '@/platform/session-cookie';

const agent = new Agent({ keepAlive: true });

/** A session of somebody with a role, as the door would have made it: the cookie that a browser sends. */
export async function cookieOf(superuser: Pool, role: string): Promise<string> {
  const token = randomBytes(24).toString('hex');
  await superuser.query(
    `insert into session (id, expires_at, token, user_id) select $1, now() + interval '4 hours', $2, id from "user" where role = $3 and active order by id limit 1`,
    [token.slice(0, 20), createHash('sha256').update(`session ${token}`).digest('hex'), role],
  );
  const seal = createHmac('sha256', process.env.WERKBANK_SECRET!).update(token).digest('base64');
  return `${SESSION_COOKIE}=${encodeURIComponent(`${token}.${seal}`)}`;
}

/** A page over HTTP, read to its end. Errors: when it is answered otherwise. */
export const get = (cookie: string, path: string, wanted = 200): Promise<void> =>
  new Promise((resolve, reject) => {
    request(`${process.env.WERKBANK_ORIGIN}${path}`, { agent, headers: { cookie } }, (answer) => {
      answer.resume();
      answer.on('end', () =>
        answer.statusCode === wanted ? resolve() : reject(new Error(`${path} was answered ${answer.statusCode}`)),
      );
    })
      .on('error', reject)
      .end();
  });

export const hangUp = (): void => agent.destroy();
