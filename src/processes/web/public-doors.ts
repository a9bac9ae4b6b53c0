/** What the public listener answers: the check page with what it is drawn from, the key set, and whether it stands. Nothing else has a door there. */
const DOORS = [
  /^\/verify\/[\w-]{1,80}$/,
  /^\/\.well-known\/jwks\.json$/,
  /^\/api\/health(\/alive)?$/,
  /^\/_next\/static\/[\w./()[\]~%@-]+$/,
  /^\/icon\.svg$/,
];

/**
 * Whether a request may come in by the public listener: reading alone, by one of its few doors.
 *
 * @example
 * isPublicDoor('GET', '/verify/abc?x=1') // true
 */
export function isPublicDoor(method: string | undefined, url: string | undefined): boolean {
  if (method !== 'GET' && method !== 'HEAD') return false;
  const path = (url ?? '').split('?')[0]!;
  return !path.includes('..') && DOORS.some((door) => door.test(path));
}
