import { addWords } from '../registry';

/** Why a command of a run can’t be done, beyond its readings. */
export const REFUSALS_ACTS = {
  'refused.unanswered': '{label}: an answer is missing.',
  'refused.whoAgreed': '{label} was {before} before: a safety setting. Say who agreed to the change.',
  'refused.faultNeedsNote': '{label}: say what is wrong.',
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
  'refused.noSuchChannel': 'This instrument has no such channel.',
  'refused.channelAlready': '{channel} stands so already.',
  'refused.lastChannel': 'One channel at least is measured: give the run up, or return it uncalibrated.',
  'refused.channelRead': '{channel} was read already: strike its readings out first, with the reason.',
  'refused.settingAgreed': 'A setting of somebody’s instrument: say who agreed to the change.',
  'refused.noChannels': 'Say which channel the instrument accepted or refused.',
  'refused.zeroInGas': 'The gas is open at this instrument: close it and let it clear. What it shows now is no zero.',
  'refused.noOption': 'Choose one of the answers.',
  'refused.decideWhy': '{option}: say in a few words what was done, or why it may stand.',
  'refused.noTraceability':
    '{name}, lot {lot}, has no {what} on record: nothing can be traced through it. Enter it on the shelf first.',
  'refused.notAccepted':
    '{name}, lot {lot}, has not been accepted yet: a new or returned reference is checked before its first use. Do it on the shelf.',
  'refused.noEquipment': 'Which {what} read this? Choose one that has a certificate and is not overdue.',
  'refused.wrongEquipment': '{name} is no {what}.',
  'refused.badCondition': '{label}: {typed} is no figure from {lowest} to {highest} {unit}.',
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
  'refused.unconfirmed':
    'These values of the budget are only remembered and may feed no certificate yet: {values}. Give them a source and a date in Office, Budgets.',
} as const;
addWords(REFUSALS_ACTS);
