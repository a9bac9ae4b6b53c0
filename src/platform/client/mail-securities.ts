/** How the way to a mail server is encrypted. */
export const SECURITIES = ['tls', 'starttls', 'none'] as const;
export type MailSecurity = (typeof SECURITIES)[number];
