import { addWords } from '../registry';

/** Wie ein Kanal berechnet, was er anzeigt. */
export const MEASURANDS = {
  'describe.scale': '100 %LEL = {lel} %vol {gas} ({source}), relatives Ansprechen {response}',
  'describe.otherScale':
    'Skala für {named}, eingestellt mit {gas}: 100 %LEL {gas} = {lel} %vol ({source}), relatives Ansprechen {response}; 1 %vol {gas} zeigt {shown} %LEL',
  'describe.uncompensated': 'ohne Temperaturkompensation',
  'describe.compensated': 'bezogen auf {reference} °C mit {percent} %/°C, linear',
  'describe.ownCurve': 'bezogen auf {reference} °C nach der eigenen Kurve des Messgeräts',
  'describe.solidsFactor': 'gelöste Stoffe mit dem Faktor {factor}',
  'describe.solidsCurve': 'gelöste Stoffe nach der Mischsalzkurve',
  'describe.saturationLocal': '100 % ist die Sättigung beim Luftdruck des Ortes',
  'describe.saturationOneAtm': '100 % ist die Sättigung bei 1 atm (1013.25 hPa)',
  'describe.electrode': 'angegeben gegen {electrode}',
} as const;
addWords(MEASURANDS, 'de');
