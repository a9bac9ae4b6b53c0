import { eq, inArray, like } from 'drizzle-orm';
import { letterOf } from '@/core/letter/letter-of';
import type { LetterKind, LetterText } from '@/core/letter/letter-kind';
import { LANGUAGES, say, type Language } from '@/core/words/say';
import { wordOf } from '@/core/words/registry';
import type { Database, Transaction } from '@/data/connection';
import { setting } from '@/data/schema';
import type { WorkshopSettings } from './settings';
import '@/core/words/en/mail-texts';
import '@/core/words/de';

/** Where the office's own text of a kind is kept in a language. */
export const letterKey = (kind: LetterKind, language: Language): string => `mailText.${kind}.${language}`;

/** The text that a kind has unless the office writes its own: as the catalogue has it, places unfilled. */
export const usualText = (kind: LetterKind, language: Language): LetterText => ({
  subject: wordOf(`mailText.${kind}.subject`, language) ?? '',
  body: wordOf(`mailText.${kind}.body`, language) ?? '',
});

const isText = (value: unknown): value is LetterText =>
  typeof value === 'object' && value !== null && 'subject' in value && 'body' in value;

/** The office's own text of a kind; null where it has none. */
export async function ownText(db: Transaction | Database, kind: LetterKind, language: Language): Promise<LetterText | null> {
  const [row] = await db
    .select()
    .from(setting)
    .where(eq(setting.key, letterKey(kind, language)));
  return isText(row?.value) ? row.value : null;
}

/** Which texts are the office's own: "reminder.de". */
export async function writtenTexts(db: Transaction | Database): Promise<string[]> {
  const rows = await db.select().from(setting).where(like(setting.key, 'mailText.%'));
  return rows.flatMap(({ key, value }) => (isText(value) ? [key.slice('mailText.'.length)] : []));
}

export type WriteLetter = (language: Language, places: Readonly<Record<string, string>>) => LetterText;

/** Writes letters of a kind in whichever language: the office's own texts are read once. */
export async function letterWriter(tx: Transaction, kind: LetterKind): Promise<WriteLetter> {
  const keys = LANGUAGES.map((language) => letterKey(kind, language));
  const rows = await tx.select().from(setting).where(inArray(setting.key, keys));
  const own = new Map(rows.flatMap(({ key, value }) => (isText(value) ? [[key, value] as const] : [])));
  return (language, places) => letterOf(own.get(letterKey(kind, language)) ?? usualText(kind, language), places);
}

/** A letter's first line. */
export const greet = (name: string, language: Language): string =>
  name ? say({ code: 'mailText.greeting', numbers: { name } }, language) : say({ code: 'mailText.greetingNobody' }, language);

/** A letter's last lines. */
export const signedBy = ({ name, address, contact }: Pick<WorkshopSettings, 'name' | 'address' | 'contact'>): string =>
  [name, address, contact].filter(Boolean).join('\n');

interface Item {
  maker?: string | undefined;
  model: string;
  serial: string;
  tag?: string | undefined;
}
/** An instrument as letters name it. */
export function itemOnLine({ maker, model, serial, tag }: Item, language: Language): string {
  const numbers = { item: [maker, model].filter(Boolean).join(' '), serial, tag: tag ?? '' };
  return say({ code: tag ? 'mailText.itemTag' : 'mailText.item', numbers }, language);
}
