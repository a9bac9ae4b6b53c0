import { addWords } from '../registry';
import '../choices';

/** Wörter der Briefe, die von selbst hinausgehen. */
export const LETTERS = {
  'letter.instruments': '{count, plural, one {# Gerät} other {# Geräte}}',
  'letter.ready':
    '{open, plural, =0 {Alles von Annahmeschein {receipt} liegt zur Abholung bereit.} one {Es liegt zur Abholung bereit; an # Gerät von Annahmeschein {receipt} wird noch gearbeitet.} other {Es liegt zur Abholung bereit; an # Geräten von Annahmeschein {receipt} wird noch gearbeitet.}}',
  'reminder.stage.ahead': 'bald',
  'reminder.stage.at': 'jetzt',
  'reminder.stage.after': 'überfällig',
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
