/** Whether this house is reached over https: then cookies are sealed to it, and browsers are told to stay there. */
export const isHttps = (): boolean => process.env.WERKBANK_ORIGIN?.startsWith('https:') ?? false;

/** A name with __Host- is taken by browsers only from this very host, over https, for all of it (RFC 6265bis, 4.1.3.2). */
export const hostCookie = (name: string): string => (isHttps() ? `__Host-${name}` : name);
export const SESSION_COOKIE = 'werkbank.session_token';
