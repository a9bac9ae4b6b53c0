import { checkOrigin } from './check-origin';

/** Where a person ends the reminders of a customer. */
export const unsubscribeAddress = (token: string): string => `${checkOrigin()}/unsubscribe/${token}`;

/**
 * Headers by which a mail program offers to end such mails with one press (RFC 2369, RFC 8058). None where the public address is not https: RFC 8058, 3.1 asks for it.
 *
 * @example
 * unsubscribeHeaders('abc', 'https://check.example')['List-Unsubscribe'] // '<https://check.example/api/unsubscribe/abc>'
 */
export const unsubscribeHeaders = (token: string | null, origin = checkOrigin()): Record<string, string> =>
  token && origin.startsWith('https://')
    ? {
        'List-Unsubscribe': `<${origin}/api/unsubscribe/${token}>`,
        'List-Unsubscribe-Post': 'List-Unsubscribe=One-Click',
      }
    : {};
