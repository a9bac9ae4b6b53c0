import type { LetterKind, LetterText } from '@/core/letter/letter-kind';
import { letterProblems } from '@/core/letter/letter-problem';
import { say, type Language } from '@/core/words/say';
import type { Transaction } from '@/data/connection';
import { setting } from '@/data/schema';
import { recordAudit } from '@/platform/audit';
import { letterKey, ownText, usualText, writtenTexts } from '@/platform/letter-text';
import { need } from '@/platform/need';
import { Problem } from '@/platform/problem';
import { readSettings } from '@/platform/settings';
import type { UseCaseContext } from '@/platform/use-case';
import { saidOfLetter } from '../said-of-letter';
import { letterSample } from './letter-sample';
import '@/core/words/en/mails-room';

/** The text of a kind in a language, whether it is the office's own, what it is without, and what its places would hold in an invented letter. */
export async function mailTextPage(tx: Transaction, kind: LetterKind, language: Language) {
  const [own, settings] = [await ownText(tx, kind, language), await readSettings(tx)];
  return {
    kind,
    language,
    own: own !== null,
    text: own ?? usualText(kind, language),
    usual: usualText(kind, language),
    sample: letterSample(language, settings),
    written: await writtenTexts(tx),
  };
}
export type MailTextPage = Awaited<ReturnType<typeof mailTextPage>>;

interface Given {
  kind: LetterKind;
  language: Language;
}

async function write(context: UseCaseContext, { kind, language }: Given, value: LetterText | Record<string, never>) {
  const before = await ownText(context.tx, kind, language);
  const key = letterKey(kind, language);
  await context.tx.insert(setting).values({ key, value }).onConflictDoUpdate({ target: setting.key, set: { value } });
  return before;
}

/** Keeps the office's own text of a kind in a language: letters that are made from now on have it. Errors: Problem (403); (400) with `fields` for a text that would leave out what it must say. */
export async function keepMailText(
  context: UseCaseContext,
  { kind, language, subject, body }: Given & LetterText,
): Promise<void> {
  need(context.actor, 'office');
  const text = { subject: subject.trim(), body: body.replaceAll('\r\n', '\n').trim() };
  const problems = letterProblems(kind, text);
  if (problems.length) {
    const fields: Record<string, string> = {};
    for (const problem of problems) fields[problem.field] ??= saidOfLetter(problem);
    throw new Problem(say({ code: 'mailsRoom.wrong' }), fields);
  }
  const before = await write(context, { kind, language }, text);
  await recordAudit(context, 'keepMailText', `${kind}, ${language}`, {
    before: before ?? usualText(kind, language),
    after: text,
  });
}

/** Goes back to the text that comes with the house. Errors: Problem (403). */
export async function dropMailText(context: UseCaseContext, given: Given): Promise<void> {
  need(context.actor, 'office');
  const before = await write(context, given, {});
  if (!before) return;
  await recordAudit(context, 'dropMailText', `${given.kind}, ${given.language}`, {
    before,
    after: usualText(given.kind, given.language),
  });
}
