import { addWords } from '../registry';

/** How a channel computes what it shows. */
export const MEASURANDS = {
  'describe.scale': '100 %LEL = {lel} %vol of {gas} ({source}), relative response {response}',
  'describe.otherScale':
    '{named} scale spanned with {gas}: 100 %LEL of {gas} = {lel} %vol ({source}), relative response {response}; 1 %vol of {gas} shows {shown} %LEL',
  'describe.uncompensated': 'without temperature compensation',
  'describe.compensated': 'referred to {reference} °C by {percent} %/°C, linear',
  'describe.ownCurve': 'referred to {reference} °C by the meter’s own curve',
  'describe.solidsFactor': 'dissolved solids by the factor {factor}',
  'describe.solidsCurve': 'dissolved solids by the mixed-salt curve',
  'describe.saturationLocal': '100 % is saturation at the air pressure of the place',
  'describe.saturationOneAtm': '100 % is saturation at 1 atm (1013.25 hPa)',
  'describe.electrode': 'stated against {electrode}',
} as const;
addWords(MEASURANDS);
