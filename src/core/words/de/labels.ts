import { addWords } from '../registry';

/** Was auf einem Etikett steht, das mit einem Gerät geht. */
export const LABELS = {
  'onLabel.calibration': 'Kalibriert {on}',
  'onLabel.limited': 'Beschränkter Nachweis {on}',
  'onLabel.limitedNote': 'Keine volle Kalibrierung: siehe Dokument.',
  'onLabel.bump': 'Anzeigetest bestanden {on}',
  'onLabel.tag.outOfService': 'AUSSER BETRIEB',
  'onLabel.tag.service': 'ZUR WARTUNG: nicht verwenden',
  'onLabel.tag.outside': 'AUSSERHALB DER GRENZEN: nicht verwenden',
  'onLabel.tag.returned': 'NICHT KALIBRIERT',
  'tag.notUse': 'Nicht benutzen. Auf keine Anzeige und keinen Alarm verlassen.',
  'tag.instrument': 'Gerät',
  'tag.customer': 'Kunde',
  'tag.why': 'Warum',
  'tag.tagged': 'Angehängt',
  'tag.off': 'Nur wer es instand gesetzt und kalibriert hat, nimmt diesen Anhänger ab.',
  'onLabel.due': 'Fällig {on}',
} as const;
addWords(LABELS, 'de');
