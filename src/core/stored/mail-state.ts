/** What becomes of a mail: it waits, is on its way, is taken by the mail server, may have been taken, or was refused; a letter waits to be printed, or was. */
export const MAIL_STATES = ['queued', 'sending', 'sent', 'uncertain', 'refused', 'toPrint', 'printed'] as const;
export type MailState = (typeof MAIL_STATES)[number];
