/**
 * Whether a request that writes was made by one of our own pages. A browser always says where a writing request comes from (Origin; Fetch standard, 3.1), and whether that is the same site;
 * what is no browser says neither, and brings no session by itself.
 */
export function isOwnOrigin(headers: Headers, ours = process.env.WERKBANK_ORIGIN): boolean {
  const site = headers.get('sec-fetch-site');
  if (site !== null && site !== 'same-origin' && site !== 'none') return false;
  const origin = headers.get('origin');
  if (origin === null) return true;
  if (origin === ours) return true;
  // Reached by another of its names: the page then comes from the host that is asked.
  return URL.canParse(origin) && new URL(origin).host === headers.get('host');
}

/** Whether what was sent is of a kind that no foreign form can send: an HTML form sends text/plain, multipart or urlencoded alone (HTML standard, 4.10.18.6). */
export function isOfKind(headers: Headers, kinds: readonly string[]): boolean {
  const kind = (headers.get('content-type') ?? '').split(';')[0]!.trim().toLowerCase();
  return kinds.some((one) => kind === one || (one.endsWith('/*') && kind.startsWith(one.slice(0, -1))));
}
