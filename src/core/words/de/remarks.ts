import { addWords } from '../registry';

/** Bemerkungen auf Dokumenten. */
export const REMARKS = {
  'remark.samePerson':
    'Arbeit und Freigabe durch dieselbe Person, wie es die Regel der Werkstatt für eine Werkstatt mit einer Person erlaubt.',
  'remark.care': 'Pflege: {action}.',
  'remark.careNote': 'Pflege: {action} ({note}).',
  'remark.crossAgrees': 'Gegenprobe: {target}; das Messgerät zeigte {reading} {unit}, das stimmt überein.',
  'remark.crossDiffers': 'Gegenprobe: {target}; das Messgerät zeigte {reading} {unit}, das stimmt nicht überein.',
  'remark.replaced': '{part} ersetzt: {old} durch {new}.',
  'remark.struck': 'Eine Ablesung von {channel} wurde gestrichen: {reason}.',
  'remark.setAside': 'Eine Ablesung von {channel} wurde mit ihrer Referenz verworfen: {reason}.',
  'remark.probe': '{label}: {sentence}',
} as const;
addWords(REMARKS, 'de');
