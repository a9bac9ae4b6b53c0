/** What the public listener answers: the check page with what it is drawn from, the key set, whether it stands, the end of reminders, a customer's answer, and the customer's window. Nothing else has a door there. */
const DOORS = [
  /^\/verify\/[\w-]{1,80}$/,
  /^\/unsubscribe\/[\w-]{1,80}$/,
  /^\/answer\/[\w-]{1,80}$/,
  /^\/feed\/[\w-]{43}\.ics$/,
  /^\/window(\/(enter|instruments)\/[\w-]{1,80}|\/documents(\/[\w-]{36}\/(pdf|json)|\/zip)?|\/bookings(\/[\w-]{3,36})?)?$/,
  /^\/api\/window\/request\/[\w-]{36}$/,
  /^\/\.well-known\/jwks\.json$/,
  /^\/api\/health(\/alive)?$/,
  /^\/_next\/static\/[\w./()[\]~%@-]+$/,
  /^\/icon\.svg$/,
];

/** What is written from outside: whoever holds the link of a mail ends its reminders or answers what it asks, and what is asked at the customer's window. */
const WRITES = /^\/api\/(unsubscribe\/[\w-]{1,80}|answer\/[\w-]{1,80}|window\/(link|enter|leave|request|feed))$/;

/**
 * Whether a request may come in by the public listener, by one of its few doors.
 *
 * @example
 * isPublicDoor('GET', '/verify/abc?x=1') // true
 */
export function isPublicDoor(method: string | undefined, url: string | undefined): boolean {
  const path = (url ?? '').split('?')[0]!;
  if (method === 'POST') return WRITES.test(path);
  if (method !== 'GET' && method !== 'HEAD') return false;
  return !path.includes('..') && DOORS.some((door) => door.test(path));
}
