import { sql } from 'drizzle-orm';
import { customer } from '@/data/schema';
import { say, type Language } from '@/core/words/say';
import { checkOrigin } from './check-origin';
import '@/core/words/en/mail-texts';
import '@/core/words/de';

/** Of a customer in a query: whether somebody of theirs books by the window. */
export const booksByWindow = sql<boolean>`exists (select from customer_contact w where w.customer_id = ${customer.id} and 'windowActs' = any(w.purposes))`;

/** Where they book, as a letter says it; nothing for who doesn't. */
export const windowToBook = (books: boolean, language: Language): string =>
  books ? say({ code: 'mailText.byWindow', numbers: { address: `${checkOrigin()}/window` } }, language) : '';
