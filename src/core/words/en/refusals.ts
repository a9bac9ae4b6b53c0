import { addWords } from '../registry';

/** Refusals that name their word by its code alone. */
export type RefusalWord = Extract<keyof typeof REFUSALS, `refused.${string}`> extends `refused.${infer Word}` ? Word : never;

/** Why something can't be done now, beside the field it belongs to. */
export const REFUSALS = {
  'refused.unanswered': '{label}: an answer is missing.',
  'refused.notANumber': '{label}: “{typed}” is not a number.',
  'refused.whoAgreed': '{label} was {before} before: a safety setting. Say who agreed to the change.',
  'refused.faultNeedsNote': '{label}: say what is wrong.',
  'refused.ownBufferTable':
    '{name}, lot {lot}, has no table of its own: a buffer of one’s own set is known by its table alone. Type it in from the bottle.',
  'refused.notOfSet':
    '{name}, lot {lot}, is not of the set that this meter names its buffers by ({set}): take one of it, or set the meter to another.',
  'refused.nothingToStrike':
    'A reading, an adjustment, a reference, a part, a setting, a note or a photo can be struck out; nothing else.',
  'refused.noBump': 'This step is no bump test.',
  'refused.unseen': 'Did {channels} move? Every channel is looked at.',
  'refused.untold': 'Did {outputs} work? Say yes or no: what nobody looked at proves nothing.',
  'refused.noSave': 'This step saves nothing.',
  'refused.noReadBack': 'Read the last-calibration date back from the instrument and type it.',
  'refused.noDate': '“{readBack}” is no date: type it as the instrument shows it.',
  'refused.notToday':
    '{readBack} is not today ({today}): it has not saved. Save again and read it back, or record it as lost; then it is calibrated again.',
  'refused.asFoundOnly': 'The customer asked for the as-found only: nothing is adjusted.',
  'refused.noSuchChannel': 'This instrument has no such channel.',
  'refused.channelAlready': '{channel} stands so already.',
  'refused.lastChannel': 'One channel at least is measured: give the run up, or return it uncalibrated.',
  'refused.channelRead': '{channel} was read already: strike its readings out first, with the reason.',
  'refused.settingAgreed': 'A setting of somebody’s instrument: say who agreed to the change.',
  'refused.notYoursNow': 'This was pressed by somebody else: it is kept here and goes out when that person signs in again.',
  'refused.contaminated':
    'It came in contaminated and without a declaration: it waits until one has come (on its slip), or goes back.',
  'refused.noChannels': 'Say which channel the instrument accepted or refused.',
  'refused.zeroInGas': 'The gas is open at this instrument: close it and let it clear. What it shows now is no zero.',
  'refused.noOption': 'Choose one of the answers.',
  'refused.decideWhy': '{option}: say in a few words what was done, or why it may stand.',
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
  'refused.noTraceability':
    '{name}, lot {lot}, has no {what} on record: nothing can be traced through it. Enter it on the shelf first.',
  'refused.notAccepted':
    '{name}, lot {lot}, has not been accepted yet: a new or returned reference is checked before its first use. Do it on the shelf.',
  'refused.noEquipment': 'Which {what} read this? Choose one that has a certificate and is not overdue.',
  'refused.wrongEquipment': '{name} is no {what}.',
  'refused.badCondition': '{label}: {typed} is no figure from {lowest} to {highest} {unit}.',
  'refused.noCondition': '{label} is missing: {lowest} to {highest} {unit}.',
  'room.temperatureC': 'The temperature',
  'room.pressureHPa': 'The air pressure',
  'room.humidityPercent': 'The relative humidity',
  'reference.certificate': 'certificate',
  'reference.traceability': 'traceability',
  'refused.paperDay': 'The day of the work: today or at most {days} days ago.',
  'refused.paperOtherDay': 'This run is entered from paper of {day}; a run has one such day.',
  'refused.paperLive': 'Readings of this run were taken off a line already: it was not worked on paper.',
  'refused.careMaterial': 'Which {what} was used? Choose it from the shelf, or say what was used instead.',
  'refused.careOther': '{name} is nothing that this care takes.',
  'refused.careSpent': '{name}, lot {lot}: {why}. Take another.',
  'refused.noPhoto': 'A photo of the sheet belongs to it; this one did not arrive.',
  'deviation.paper': 'Written on paper on {day} by {by} and entered afterwards',
  'deviation.paperReason':
    'The program was not at hand. Waiting times and times of exposure are those of the paper; photos of it are kept with the record.',
  'deviation.tooSoon': '{title}: read after {seconds} s in the {what} instead of {asked} s',
  'deviation.ownSensor': 'Temperature of the liquid taken from the instrument itself',
  'deviation.ownSensorReason': 'No thermometer was dipped beside {channel}; the tolerance of its own sensor is in the budget',
  'refused.notComputed': 'As found can’t be worked out here: what the meter kept before isn’t known.',
  'refused.computedNeeds': 'As found is worked out from millivolts and temperature: both are needed.',
  'refused.unconfirmed':
    'These values of the budget are only remembered and may feed no certificate yet: {values}. Give them a source and a date in Office, Budgets.',
} as const;
addWords(REFUSALS);
