import { addWords } from '../registry';

/** What a reading is compared with. */
export const TARGETS = {
  'target.fixed': '{point}: {value} {unit}',
  'target.material': '{name}, lot {lot}: {what}',
  'target.comparison': '{name} shows {value} {unit}',
  'target.corrected': '{name} shows {shown} {unit}, by its certificate {value} {unit}',
  'target.cleanAir': 'clean air, {value} {unit} as the model’s maker sets it; the moisture of the air is in the budget',
  'target.cleanAirCorrected':
    'clean air: dry air holds {dry} %vol, at {temperature} °C, {humidity} % and {pressure} hPa {value} %vol',
  'target.onScale': '{certified} is {value} %LEL at {scale}',
  'target.scale': 'LEL {lel} %vol of {gas} ({source}), relative response {response}',
  'target.atPressure': '{certified} is {value} at {pressure} hPa',
  'target.atTemperature': '{substance} at {temperature} °C is {value} {unit}, {table}',
  'target.atTemperatureAgainst': '{substance} at {temperature} °C is {value} {unit} against {electrode}, {table}',
  'target.refersItself': '{substance} {value} {unit} at 25 °C, the meter refers its reading to {reference} °C',
  'target.referred':
    '{substance}: {there} {unit} at {temperature} °C {table}, by the meter’s {percent} %/°C referred to {reference} °C is {value} {shown}',
  'target.solidsFactor': '{substance} {conductivity} µS/cm at 25 °C is {value} {unit} by the factor {factor}',
  'target.solidsCurve': '{substance} {conductivity} µS/cm at 25 °C is {value} {unit} by the mixed-salt curve',
  'target.saturatedAir': 'water-saturated air at {temperature} °C and {pressure} hPa: {value} {what}',
  'target.mgPerL': 'mg/L',
  'target.localPercent': '% of saturation at this pressure',
  'target.oneAtmPercent': '% of saturation at 1 atm',
  'target.recognised': 'recognised {buffer}: pH {value} at {temperature} °C',
  'target.strip': 'indicator strip between {low} and {high} {unit}: a cross-check, no calibration',
  'target.dilution': '{substance} {value} {unit} as certified',
  'table.lot': 'from the lot’s own table',
  'table.buffer': 'from the usual table of this buffer',
  'table.kcl': 'from the handbook table of potassium chloride',
} as const;
addWords(TARGETS);
