import { addWords } from '../registry';
import '../choices';

/** Wörter der Briefe, die von selbst hinausgehen. */
export const LETTERS = {
  'letter.greeting': 'Guten Tag {name},',
  'letter.greetingNobody': 'Guten Tag,',
  'letter.issuedSubject': 'Kalibrierschein {number}: {maker} {model} {serial}',
  'letter.withoutSubject': 'Ohne Kalibrierung zurück, {number}: {maker} {model} {serial}',
  'letter.issued': 'der Kalibrierschein {number} für Ihr Gerät {maker} {model}, Seriennummer {serial}, liegt bei.',
  'letter.withoutCalibration':
    'Ihr Gerät {maker} {model}, Seriennummer {serial}, geht ohne Kalibrierung zurück. Das Papier {number}, das beiliegt, sagt warum.',
  'letter.ready':
    '{open, plural, =0 {Alles von Annahmeschein {receipt} liegt zur Abholung bereit.} one {Es liegt zur Abholung bereit; an # Gerät von Annahmeschein {receipt} wird noch gearbeitet.} other {Es liegt zur Abholung bereit; an # Geräten von Annahmeschein {receipt} wird noch gearbeitet.}}',
  'reminder.subject': 'Kalibrierung fällig: {count, plural, one {# Gerät} other {# Geräte}}',
  'reminder.hello': 'Guten Tag {name},',
  'reminder.helloNobody': 'Guten Tag,',
  'reminder.what':
    '{count, plural, one {# Gerät von {customer} ist zur Kalibrierung fällig} other {# Geräte von {customer} sind zur Kalibrierung fällig}}:',
  'reminder.tag': ', Ihr Kennzeichen {tag}',
  'reminder.stage.ahead': 'bald',
  'reminder.stage.at': 'jetzt',
  'reminder.stage.after': 'überfällig',
  'reminder.serial': 'Seriennummer {serial}',
  'reminder.byMail':
    'Bringen oder senden Sie sie, oder antworten Sie auf diese Mail, und wir halten einen Platz auf der Bank frei.',
  'reminder.byWindow': 'Buchen Sie für sie einen Tag an Ihrem Fenster: {address}',
  'reminder.byPost': 'Bringen oder senden Sie sie, oder sagen Sie Bescheid, und wir halten einen Platz auf der Bank frei.',
  'reminder.caution': 'Auf ein überfälliges Gerät sollte man sich nicht verlassen, bis es kalibriert ist.',
  'unsubscribe.line': 'Keine Erinnerungen mehr: {address}',
  'unsubscribe.title': 'Erinnerungen',
  'unsubscribe.wants': 'Erinnerungen an Kalibrierungen gehen an {name}.',
  'unsubscribe.press': 'Keine Erinnerungen mehr',
  'unsubscribe.done':
    '{name} erhält keine Erinnerungen an Kalibrierungen mehr. Was fällig ist, bleibt fällig. Um sie wieder zu erhalten, fragen Sie {workshop}.',
  'unsubscribe.unknown': 'Dieser Link ist nicht bekannt. Fragen Sie die Werkstatt, die die Mail gesendet hat.',
  'letter.mailed': 'Gemailt',
  'letter.state':
    '{state, select, queued {wartet auf den Versand} sending {unterwegs} sent {gesendet} refused {abgelehnt} other {unbekannt, ob angekommen}}',
} as const;
addWords(LETTERS, 'de');
