/** What the public listener answers: the check page with what it is drawn from, the key set, whether it stands, and the end of reminders. Nothing else has a door there. */
const DOORS = [
  /^\/verify\/[\w-]{1,80}$/,
  /^\/unsubscribe\/[\w-]{1,80}$/,
  /^\/\.well-known\/jwks\.json$/,
  /^\/api\/health(\/alive)?$/,
  /^\/_next\/static\/[\w./()[\]~%@-]+$/,
  /^\/icon\.svg$/,
];

/** The one thing that is written from outside: whoever holds the link of a mail ends its reminders. */
const ONE_PRESS = /^\/api\/unsubscribe\/[\w-]{1,80}$/;

/**
 * Whether a request may come in by the public listener, by one of its few doors.
 *
 * @example
 * isPublicDoor('GET', '/verify/abc?x=1') // true
 */
export function isPublicDoor(method: string | undefined, url: string | undefined): boolean {
  const path = (url ?? '').split('?')[0]!;
  if (method === 'POST') return ONE_PRESS.test(path);
  if (method !== 'GET' && method !== 'HEAD') return false;
  return !path.includes('..') && DOORS.some((door) => door.test(path));
}
