import { addWords } from '../registry';

/** Abweichungen vom Verfahren, die das Programm von selbst festhält. */
export const DEVIATIONS = {
  'deviation.early': '{title}: {seconds} s zu früh',
  'deviation.leftOut': 'Ausgelassen: {title}',
  'deviation.tooSoon': '{title}: nach {seconds} s in {what} abgelesen statt nach {asked} s',
  'deviation.ownSensor': 'Temperatur der Flüssigkeit vom Gerät selbst übernommen',
  'deviation.ownSensorReason':
    'Neben {channel} war kein Thermometer eingetaucht; die Toleranz des eigenen Sensors steht im Unsicherheitsbudget',
  'deviation.regulator': '{regulator} an diesem Gerät',
  'deviation.pumpOff': 'Fester Durchfluss an einem Gerät mit Pumpe: erst die Pumpe abschalten.',
  'deviation.fixedOnPump':
    'Fester Durchfluss passt nie zu einer Pumpe: zu wenig lässt sie hungern, zu viel drückt auf die Dichtungen. Einen Bedarfsregler nehmen.',
  'deviation.paper': 'Am {day} von {by} auf Papier geschrieben und danach eingegeben',
  'deviation.paperReason':
    'Das Programm stand nicht zur Verfügung. Warte- und Einwirkzeiten sind die des Papiers; Fotos davon liegen beim Protokoll.',
} as const;
addWords(DEVIATIONS, 'de');
