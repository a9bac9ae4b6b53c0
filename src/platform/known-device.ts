import { createHmac, randomBytes, timingSafeEqual } from 'node:crypto';

/** A browser in which somebody signed in before. It grants nothing: failures made elsewhere don't delay this one. */
export interface KnownDevice {
  userId: string;
  id: string;
}

const sealOf = (text: string, secret: string) => createHmac('sha256', `device ${secret}`).update(text).digest('base64url');

/**
 * The text of the cookie. Errors: none. Source: device cookies against guessing online (OWASP, "Slow Down Online Guessing Attacks with Device Cookies").
 *
 * @example
 * readDevice(writeDevice('u-1', secret), secret) // { userId: 'u-1', id: '…' }
 */
export function writeDevice(userId: string, secret: string): string {
  const text = `${Buffer.from(userId).toString('base64url')}.${randomBytes(12).toString('base64url')}`;
  return `${text}.${sealOf(text, secret)}`;
}

/** Null for anything that this house did not write. */
export function readDevice(cookie: string | undefined, secret: string): KnownDevice | null {
  const [user, id, seal, ...more] = (cookie ?? '').split('.');
  if (!user || !id || !seal || more.length) return null;
  const [ours, theirs] = [Buffer.from(sealOf(`${user}.${id}`, secret)), Buffer.from(seal)];
  if (ours.length !== theirs.length || !timingSafeEqual(ours, theirs)) return null;
  return { userId: Buffer.from(user, 'base64url').toString(), id };
}
