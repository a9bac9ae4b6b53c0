import { addWords } from '../registry';

/** Closed lists of a procedure, as its editor names them. */
export const EDITOR = {
  'phaseWord.asFound': 'as found',
  'phaseWord.adjustment': 'while adjusting',
  'phaseWord.check': 'a check',
  'phaseWord.asLeft': 'as left',
  'evidence.confirm': 'confirmed by the instrument',
  'evidence.automatic': 'by itself',
  'evidence.readBackDate': 'its date read back',
  'evidence.readBackValue': 'its value read back',
  'bumpMethod.timed': 'the instrument’s own timed test',
  'bumpMethod.watched': 'watched by a person',
  'bumpMethod.station': 'by a station',
  'orderWord.fixed': 'one after the other',
  'orderWord.any': 'in any order',
  'answerWord.passFault': 'pass or fault',
  'answerWord.yesNo': 'yes or no',
  'answerWord.number': 'a number',
  'answerWord.text': 'words',
  'answerWord.sensorSerial': 'serial of a new sensor',
  'badWhen.none': 'no answer is bad',
  'badWhen.negative': 'no, or fault',
  'badWhen.positive': 'yes',
  'badWhen.beyond': 'further from zero than',
  'badWhen.other': 'other than it has to be',
} as const;
addWords(EDITOR);
