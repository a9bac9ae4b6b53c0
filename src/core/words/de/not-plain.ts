import { addWords } from '../registry';

/** Was an einem Lauf nicht alltäglich ist. */
export const NOT_PLAIN = {
  'followed.mend': 'In Ordnung gebracht und noch einmal angesehen: {note}',
  'followed.remark': 'Bleibt mit einer Bemerkung: {note}',
  'followed.service': 'Zum Service',
  'followed.outOfService': 'Außer Betrieb',
  'followed.return': 'Ohne Kalibrierung zurückgegeben',
  'followed.calibrate': 'Auf demselben Auftrag kalibriert',
  'followed.open': 'Noch nicht entschieden',
  'notPlain.title': 'Dies zuerst ansehen',
  'notPlain.none': 'Alles verlief, wie das Verfahren es vorsieht.',
  'notPlain.finding': '{what}: {answer}{note}. {follow}.',
  'notPlain.leftOut': 'Nicht angesehen: {title}.',
  'notPlain.late': 'Nachträgliche Einträge: {count}, höchstens {minutes} min nach dem, wovon sie berichten.',
  'notPlain.lost': 'Eine Speicherung ging verloren (zurückgelesen: {readBack}).',
  'notPlain.readBack': 'Nach dem Speichern zurückgelesen: {readBack}.',
  'reason.bad': '{what}: {answer}{note}',
  'reason.givenUp': '{channel}: zwei Versuche misslungen',
  'reason.found': '{channel} bei Eingang außerhalb ({point})',
  'reason.left': '{channel} bei Ausgang außerhalb ({point})',
  'reason.question.notSaved': 'Es behält seine Justierung nicht',
  'reason.question.blank': 'Drei Luftproben, die nicht null waren',
  'reason.question.other': 'Auf der Bank aufgegeben',
} as const;
addWords(NOT_PLAIN, 'de');
