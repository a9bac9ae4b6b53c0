import { say, type Language } from '@/core/words/say';
import { checkOrigin } from '@/platform/check-origin';
import { greet, itemOnLine, signedBy } from '@/platform/letter-text';
import type { WorkshopSettings } from '@/platform/settings';
import '@/core/words/en/letters';
import '@/core/words/en/mail-texts';

/** What the places of a letter would hold, for an invented customer: a preview says what a letter will look like, and nothing of anybody. */
export function letterSample(language: Language, settings: WorkshopSettings): Record<string, string> {
  const items = [
    { maker: 'Maker', model: 'A4', serial: '10062', tag: '7' },
    { maker: 'Maker', model: 'P1', serial: '20114', tag: '' },
  ].map((item) => itemOnLine(item, language));
  const stages = (['at', 'ahead'] as const).map((stage) => say({ code: `reminder.stage.${stage}` }, language));
  const days = language === 'de' ? ['01.12.2026', '18.12.2026'] : ['1 Dec 2026', '18 Dec 2026'];
  const address = (path: string) => `${checkOrigin()}/${path}`;
  return {
    greeting: greet('A. Customer', language),
    customer: 'Customer Works',
    count: say({ code: 'letter.instruments', numbers: { count: 2 } }, language),
    instruments: items.map((item, at) => `  ${days[at]!.padEnd(12)} ${stages[at]!.padEnd(9)} ${item}`).join('\n'),
    booking: say({ code: 'mailText.byWindow', numbers: { address: address('window') } }, language),
    caution: say({ code: 'mailText.dueCaution' }, language),
    wayOut: say({ code: 'mailText.wayOut', numbers: { address: address('unsubscribe/…') } }, language),
    number: 'C-2026-0062',
    withdrawn: 'C-2026-0041',
    reason: '…',
    instrument: items[0]!,
    statements: '…',
    ready: say({ code: 'letter.ready', numbers: { receipt: 'R-2026-0014', open: 1 } }, language),
    ticket: 'T-2026-0035',
    finding: '…',
    positions: '1 × …: 42.00',
    total: `42.00 ${settings.currency}`,
    question: '…',
    answer: say({ code: 'mailText.answerHere', numbers: { until: days[1]!, address: address('answer/…') } }, language),
    link: address('window/enter/…'),
    until: days[0]!,
    house: settings.name,
    workshop: signedBy(settings),
  };
}
