import { addWords } from '../registry';

/** Wörter der Seite, auf der ein Kunde antwortet, und dessen, was er gefragt wird. */
export const ANSWER_PAGE = {
  'answerPage.title': 'Ihr Wort',
  'answerPage.from': '{workshop} fragt {customer}:',
  'answerPage.name': 'Ihr Name',
  'answerPage.nameNeeded': 'Bitte Ihren Namen: er steht mit Ihrer Antwort in den Akten.',
  'answerPage.remark': 'Bemerkung',
  'answerPage.remarkNotice': 'Was getan wurde',
  'answerPage.yes.offer': 'Ja, machen Sie weiter',
  'answerPage.no.offer': 'Nein, lassen Sie es',
  'answerPage.yes.tolerance': 'Einverstanden',
  'answerPage.no.tolerance': 'Nicht einverstanden',
  'answerPage.yes.rule': 'Einverstanden',
  'answerPage.no.rule': 'Nicht einverstanden',
  'answerPage.yes.alarms': 'Einverstanden',
  'answerPage.no.alarms': 'Nicht einverstanden',
  'answerPage.yes.due': 'Ja, geben Sie ihn an',
  'answerPage.no.due': 'Nein, lassen Sie ihn weg',
  'answerPage.yes.notice': 'Gelesen',
  'answerPage.no.notice': 'Bitte rufen Sie uns an',
  'answerPage.until': 'Auf diesen Link kann bis {until} geantwortet werden. Die erste Antwort gilt und bleibt in den Akten.',
  'answerPage.given': 'Beantwortet von {name}, {on}: {answer}. Danke.',
  'answerPage.late': 'Die Zeit dieses Links ist um. Bitten Sie {workshop} um einen neuen.',
  'answerPage.withdrawn': '{workshop} hat diese Frage zurückgenommen.',
  'answerPage.unknown': 'Dieser Link ist nicht bekannt.',
  'askedOf.offer': 'Dürfen wir nach Angebot {number} weitermachen?',
  'askedOf.notice':
    'Unsere Mitteilung vom {on} zu Ihrem Gerät {item}, das außerhalb der Toleranz vorgefunden wurde: haben Sie sie gelesen, und was wurde veranlasst?',
  'askedOf.rule':
    'Ob Ihre Geräte innerhalb der Toleranz sind, sagen wir nach dieser Regel: {rule} Sind Sie einverstanden (ISO/IEC 17025:2017, 7.1.3)?',
  'askedOf.due':
    'Dürfen unsere Dokumente den Tag angeben, an dem jedes Ihrer Geräte wieder fällig ist (ISO/IEC 17025:2017, 7.8.4.3)?',
  'askedOf.alarms': 'Wir würden die Alarmschwellen Ihrer Geräte so einstellen: … Sind Sie einverstanden?',
  'askedOf.tolerance':
    'Wir würden {label} Ihres {model} nach einer Toleranz von {tolerance} bewerten und dies auf jedem Dokument angeben. Sind Sie einverstanden?',
} as const;
addWords(ANSWER_PAGE, 'de');
