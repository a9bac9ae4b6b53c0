import { addWords } from '../registry';

/** Was von einer Ablesung neben ihrer Referenz gesagt wird. */
export const JUDGEMENT = {
  'judged.within': 'Innerhalb: {deviation} {unit} gegen ± {limit} {unit}.',
  'judged.cautionBeyond': 'Vorsicht: jenseits von ± {caution} {unit}, im Auge behalten.',
  'judged.outside': 'Außerhalb: {deviation} {unit} gegen ± {limit} {unit}.',
  'judged.guardBand':
    'Nicht entscheidbar: {deviation} {unit} gegen ± {limit} {unit} liegt näher an der Grenze als die Unsicherheit von {expanded} {unit}.',
  'judged.over': 'Die Anzeige lief über ihren Bereich.',
  'judged.under': 'Die Anzeige lief unter ihren Bereich.',
  'judged.fault': 'Die Anzeige zeigt statt einer Zahl einen Fehler.',
  'judged.implausible': 'Nicht geglaubt: {reason} ({lowest} bis {highest}).',
  'judged.gate': 'Eine Schwelle: Es muss {expected} {unit} anzeigen, bevor etwas zählt.',
  'judged.gateShut': 'Eine Schwelle: Es zeigte {reading} {unit} statt {expected} {unit}. Warten und noch einmal sehen.',
  'judged.moved': 'Bewegte sich wie erwartet: von {before} auf {after} {unit}.',
  'judged.notMoved': 'Bewegte sich nicht wie erwartet: von {before} auf {after} {unit}.',
  'judged.watched': 'Nur beobachtet: keine frühere Ablesung zum Vergleich.',
  'judged.remark': 'Zählt nicht: {remark}.',
  'judged.referenceStruck': 'Mit seiner Referenz verworfen: {reason}.',
  'judged.noLimit': 'Für diesen Punkt ist keine Toleranz vereinbart: nur angegeben.',
  'verdict.within': 'innerhalb',
  'verdict.outside': 'außerhalb',
  'verdict.cannotTell': 'nicht entscheidbar',
  'verdict.notJudged': 'nicht beurteilt',
  'verdict.notMeasured': 'nicht gemessen',
} as const;
addWords(JUDGEMENT, 'de');
