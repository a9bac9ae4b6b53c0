import { addWords } from '../registry';

/** Die Texte der Mails, solange das Büro keine eigenen schreibt: nur Plätze, keine Auswahl. */
export const MAIL_TEXTS = {
  'mailText.reminder.subject': 'Kalibrierung fällig: {count}',
  'mailText.reminder.body':
    '{greeting}\n\nzur Kalibrierung fällig: {count} von {customer}.\n\n{instruments}\n\nBringen oder senden Sie sie, oder sagen Sie Bescheid, und wir halten einen Platz auf der Bank frei.\n{booking}\n{caution}\n\n{workshop}\n\n{wayOut}',
  'mailText.bump.subject': 'Anzeigetest fällig: {count}',
  'mailText.bump.body':
    '{greeting}\n\nder Anzeigetest, an den Sie erinnert werden wollten, ist fällig: {count} von {customer}.\n\n{instruments}\n\n{caution}\n\n{workshop}\n\n{wayOut}',
  'mailText.document.subject': 'Kalibrierschein {number}: {instrument}',
  'mailText.document.body':
    '{greeting}\n\nder Kalibrierschein {number} für Ihr Gerät {instrument} liegt bei.\n{statements}\n\n{ready}\n\n{workshop}',
  'mailText.withoutCalibration.subject': 'Ohne Kalibrierung zurück, {number}: {instrument}',
  'mailText.withoutCalibration.body':
    '{greeting}\n\nIhr Gerät {instrument} geht ohne Kalibrierung zurück. Das Papier {number}, das beiliegt, sagt warum.\n\n{ready}\n\n{workshop}',
  'mailText.revised.subject': 'Berichtigtes Dokument {number}',
  'mailText.revised.body':
    'wir haben das Dokument {number} berichtigt. Grund: {reason}\n\nDie Berichtigung nennt, was sich geändert hat, und ersetzt das Dokument, das Sie haben; bitte verwenden Sie das neuere. Ob Arbeiten oder Entscheidungen auf den früheren Zahlen beruhten, haben Sie zu beurteilen.\n\n{workshop}',
  'mailText.withdrawn.subject': 'Dokument {withdrawn} zurückgezogen',
  'mailText.withdrawn.body':
    'wir haben das Dokument {withdrawn} durch {number} zurückgezogen. Grund: {reason}\n\n{caution}\n\n{workshop}',
  'mailText.offer.subject': 'Angebot {number}: {instrument}',
  'mailText.offer.body':
    'Ihr Gerät {instrument} (Auftrag {ticket}):\n\n{finding}\n\n{positions}\nSumme: {total}\n\nBitte sagen Sie uns, ob wir weitermachen dürfen; bis dahin bleibt Ihr Gerät, wie es ist.\n{answer}\n\n{workshop}',
  'mailText.asked.subject': 'Wir brauchen Ihr Wort, {customer}',
  'mailText.asked.body': '{greeting}\n\n{question}\n\n{answer}\n\n{workshop}',
  'mailText.windowLink.subject': 'Ihr Zugang zu {house}',
  'mailText.windowLink.body':
    '{greeting}\n\nüber diesen Link sehen Sie die Geräte von {customer}. Er öffnet einmal, bis {until}:\n\n{link}\n\nWenn Sie ihn nicht verlangt haben, lassen Sie ihn liegen: ohne ihn kommt niemand hinein.\n\n{workshop}',
  'mailText.greeting': 'Guten Tag {name},',
  'mailText.greetingNobody': 'Guten Tag,',
  'mailText.item': '{item}, Seriennummer {serial}',
  'mailText.itemTag': '{item}, Seriennummer {serial}, Ihr Kennzeichen {tag}',
  'mailText.withdrawnCaution':
    'Bitte verlassen Sie sich nicht länger darauf und verwenden Sie das Gerät nicht, bis es neu kalibriert ist.',
  'mailText.dueCaution': 'Auf ein überfälliges Gerät sollte man sich nicht verlassen, bis es kalibriert ist.',
  'mailText.bumpCaution':
    'Auf ein Gaswarngerät ohne Anzeigetest sollte man sich nicht verlassen; was ihn nicht besteht, bleibt außer Gebrauch. Die Regeln Ihres Betriebs gehen vor.',
  'mailText.byWindow': 'Buchen Sie für sie einen Tag an Ihrem Fenster: {address}',
  'mailText.answerHere': 'Antworten Sie hier, bis {until}: {address}',
  'mailText.wayOut': 'Keine Erinnerungen mehr: {address}',
} as const;
addWords(MAIL_TEXTS, 'de');
