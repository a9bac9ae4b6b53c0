import { addWords } from '../registry';

/** Wörter der Mitteilung an einen Kunden, dessen Gerät außerhalb der Toleranz vorgefunden wurde. */
export const NOTICE = {
  'toldOutside.subject': 'Außerhalb der Toleranz vorgefunden: {item}',
  'toldOutside.item': '{item}, Seriennummer {serial}',
  'toldOutside.itemTag': '{item}, Seriennummer {serial} (Ihr {tag})',
  'toldOutside.found':
    'Am {found} haben wir Ihr Gerät {item} untersucht, bevor etwas justiert wurde, und es außerhalb seiner Toleranz vorgefunden:',
  'toldOutside.lastGood':
    'Zuletzt innerhalb der Toleranz vorgefunden und übergeben wurde es am {lastGood}. Wann es dazwischen abgewichen ist, lässt sich nicht sagen.',
  'toldOutside.neverGood': 'Eine frühere Kalibrierung liegt uns nicht vor: seit wann es so anzeigt, lässt sich nicht sagen.',
  'toldOutside.doubtSince': 'In Zweifel stehen Messwerte für {which} vom {lastGood} bis zum {found}.',
  'toldOutside.doubt': 'In Zweifel stehen Messwerte für {which} bis zum {found}.',
  'toldOutside.late': 'Bei dieser Anzeige kann ein Alarm zu spät oder gar nicht gekommen sein.',
  'toldOutside.yours':
    'Ob Arbeiten, Aufzeichnungen oder Menschen betroffen sind, entscheiden Sie nach Ihren eigenen Regeln und den Vorschriften, die an Ihrem Standort gelten.',
  'toldOutside.certificate': 'Der Kalibrierschein gibt an, was vorgefunden wurde und wie das Gerät übergeben wird.',
  'toldOutside.line': '- {label}, {point}: zeigte {shown} statt {target} {unit}{size} (Toleranz ± {tolerance} {unit}{expanded}).',
  'toldOutside.tooLow': ', {size} {unit} zu niedrig',
  'toldOutside.tooHigh': ', {size} {unit} zu hoch',
  'toldOutside.expanded': ', Unsicherheit der Abweichung {expanded} {unit}',
  'toldOutside.over': 'über seinem Bereich',
  'toldOutside.under': 'unter seinem Bereich',
  'toldOutside.fault': 'eine Störung',
  'toldOutside.flicker': 'keinen ruhigen Wert',
  'toldOutside.interval': 'keinen einzelnen Wert',
} as const;
addWords(NOTICE, 'de');
