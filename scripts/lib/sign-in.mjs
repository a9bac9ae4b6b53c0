// A session as the sign-in would have made it, for trials that knock at the doors without a browser. The database keeps its digest alone.
import { createHash, createHmac, randomBytes } from 'node:crypto';

/** Puts a session of the first person of a role into the house; gives back the cookie. */
export async function sessionCookie(client, secret, role = 'administrator') {
  const token = randomBytes(24).toString('hex');
  await client.query(
    `insert into session (id, expires_at, token, user_id) select $1, now() + interval '2 hours', $2, id from "user" where role = $3 and active order by id limit 1`,
    [token.slice(0, 20), createHash('sha256').update(`session ${token}`).digest('hex'), role],
  );
  const seal = createHmac('sha256', secret).update(token).digest('base64');
  return `werkbank.session_token=${encodeURIComponent(`${token}.${seal}`)}`;
}
