import { addWords } from '../registry';

/** Wörter des Briefs, den Kunden nach einem Rückruf erhalten. */
export const RECALL_LETTER = {
  'recall.saidUsual':
    'Eine Referenz, mit der wir kalibriert haben, hat nicht den Wert, den ihr Zertifikat angibt. Wir haben jedes Ergebnis, das auf ihr beruht, neu bewertet. Die Ihren, die sich ändern, stehen unten mit ihrer Größe.',
  'recall.subject': 'Ergebnisse, die Sie von uns haben: bitte lesen',
  'recall.item': '{item}, Seriennummer {serial}{document}:',
  'recall.itemDocument': ', Dokument {number}',
  'recall.itemWithdrawn': ', Dokument {number}, hiermit zurückgezogen',
  'recall.itemSince': ', seither neu kalibriert (Dokument {number})',
  'recall.size':
    '– {label}, {point}, {side}: angezeigt {reading} {unit}; verglichen mit {was}, wohl richtig {would}; Abweichung {deviation} statt {before} {unit}, Grenze {limit}: {verdict} (angegeben: {stated})',
  'recall.sizeUnknown':
    '– {label}, {point}, {side}: angezeigt {reading} {unit}; womit verglichen wurde, ist unbekannt, es lässt sich daher nicht bewerten (angegeben: {stated})',
  'recall.side.found': 'bei Eingang',
  'recall.side.left': 'bei Übergabe',
  'recall.askBack':
    'Bitte verlassen Sie sich nicht auf die zurückgezogenen Dokumente und verwenden Sie diese Geräte nicht, bis sie neu kalibriert sind: senden Sie sie uns, kostenfrei. Ob Arbeiten oder Entscheidungen auf diesen Zahlen beruhten, haben Sie zu beurteilen.',
  'recall.askJudge': 'Ob Arbeiten oder Entscheidungen auf diesen Zahlen beruhten, haben Sie zu beurteilen.',
} as const;
addWords(RECALL_LETTER, 'de');
