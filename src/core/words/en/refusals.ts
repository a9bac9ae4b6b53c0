import { addWords } from '../registry';

/** Refusals that name their word by its code alone. */
export const REFUSALS = {
  'refused.notANumber': '{label}: “{typed}” is not a number.',
  'refused.ownBufferTable':
    '{name}, lot {lot}, has no table of its own: a buffer of one’s own set is known by its table alone. Type it in from the bottle.',
  'refused.notOfSet':
    '{name}, lot {lot}, is not of the set that this meter names its buffers by ({set}): take one of it, or set the meter to another.',
  'refused.asFoundOnly': 'The customer asked for the as-found only: nothing is adjusted.',
  'refused.notYoursNow': 'This was pressed by somebody else: it is kept here and goes out when that person signs in again.',
  'refused.contaminated':
    'It came in contaminated and without a declaration: it waits until one has come (on its slip), or goes back.',
  'refused.decideFirst': 'This has to be decided: it can’t be left out.',
  'refused.notBack': '{channels} not back at zero and clean air yet: {left} s are left of the purge.',
  'refused.flow': '{slot} is fed with {flows} L/min here, not with {flow}.',
  'refused.tooSoon': '{seconds} s in the {what}: a reading takes {asked} s here. Wait, or say why this one counts.',
  'refused.noReference': 'Choose the {slot} first.',
  'refused.noComparison': 'Type what the reference shows.',
  'refused.missingComponent': '{name} (lot {lot}) has no {substance} for {channel}.',
  'refused.wrongUnit': 'The bottle states {substance} in {unit}, the channel {channel} shows {shown}.',
  'refused.noTarget': '{point} can’t be worked out for this quantity.',
  'refused.noCleanAirValue': 'This model has no clean-air value for {channel}.',
  'refused.noConditions':
    'Record temperature, humidity and pressure of the air first: the oxygen that moist air holds depends on them.',
  'refused.noScale': 'The combustible scale (LEL and relative response) of {channel} is not known.',
  'refused.noPressure': 'The expected value follows the air pressure: record it first.',
  'refused.noTemperature': 'Type the temperature of the liquid: its value depends on it.',
  'refused.noThermometer':
    'Which thermometer stood in the liquid? Choose one with a certificate; the instrument under calibration can’t be its own reference.',
  'refused.thermometerBound':
    '{name} {lot} is the thermometer of this run: type what it shows. The instrument’s own sensor serves only where nothing else was dipped.',
  'refused.outsideCorrections':
    '{shown} {unit} is outside the range of the certificate of {name} ({lowest} to {highest} {unit}).',
  'refused.outsideTable':
    '{temperature} °C is outside the table of {substance} ({lowest} to {highest} °C): bring the liquid into it, nothing is extrapolated.',
  'refused.outsideSolubility': '{temperature} °C is outside 0.5 to 39.5 °C, where the solubility is known here.',
  'refused.noTable': 'There is no temperature table for {substance}: type it off the bottle.',
  'refused.noSolidsRule': 'How {channel} is computed from conductivity (factor or curve) is not known.',
  'refused.outsideCurve': 'The mixed-salt curve goes to 3000 µS/cm: take a standard under it.',
  'refused.noMillivolts': 'Type the millivolts that the meter shows.',
  'refused.outsideBuffers': 'The buffers have values from 5 to 50 °C.',
  'refused.notRecognised':
    '{millivolts} mV at {temperature} °C fits none of the buffers in use: wrong buffer, tired electrode or wrong sign.',
  'refused.contradictsBottle':
    'The electrode recognises {found} ({millivolts} mV), the bottle scanned is {name}, lot {lot}: wrong beaker, or a cracked glass. Not taken.',
  'refused.notScanned':
    'Scan the bottle that {buffer} was poured from: without it the value has no certificate and no uncertainty.',
  'refused.noStripLow': 'Which field is the colour above or at?',
  'refused.noStripHigh': 'Which field is the colour under? A colour between two fields is an interval.',
  'refused.noCondition': '{label} is missing: {lowest} to {highest} {unit}.',
  'refused.notComputed': 'As found can’t be worked out here: what the meter kept before isn’t known.',
  'refused.computedNeeds': 'As found is worked out from millivolts and temperature: both are needed.',
} as const;
addWords(REFUSALS);
