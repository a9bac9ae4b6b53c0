import { and, desc, eq, isNotNull } from 'drizzle-orm';
import type { DecisionRule } from '@/core/uncertainty/decide';
import { dayInLanguage } from '@/core/words/day-in-language';
import { say, type Language } from '@/core/words/say';
import type { Transaction } from '@/data/connection';
import { customerQuestion } from '@/data/schema';
import { dateIn } from '@/platform/clock';
import '@/core/words/en/certificate';
import '@/core/words/de';

/** That the customer agreed to the decision rule of a run, by a link, before: said on the document (ISO/IEC 17025:2017, 7.1.3). Null where their newest word is none, a no, or about another rule. */
export async function ruleAgreed(
  tx: Transaction,
  { customerId, rule, language, zone }: { customerId: string; rule: DecisionRule; language: Language; zone: string },
): Promise<string | null> {
  const [word] = await tx
    .select()
    .from(customerQuestion)
    .where(
      and(eq(customerQuestion.customerId, customerId), eq(customerQuestion.about, 'rule'), isNotNull(customerQuestion.answer)),
    )
    .orderBy(desc(customerQuestion.answeredAt))
    .limit(1);
  // Agreed was the sentence that was asked: another rule since is another question.
  if (word?.answer !== 'yes' || !word.asked.includes(say({ code: `rule.${rule}` }, word.language))) return null;
  const numbers = { on: dayInLanguage(dateIn(zone, word.answeredAt!), language), by: word.answeredBy! };
  return say({ code: 'supplied.ruleAgreed', numbers }, language);
}
