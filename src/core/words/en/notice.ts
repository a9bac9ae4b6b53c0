import { addWords } from '../registry';

/** Words of the notice to a customer whose instrument was found out of tolerance. */
export const NOTICE = {
  'toldOutside.subject': 'Found out of tolerance: {item}',
  'toldOutside.item': '{item}, serial {serial}',
  'toldOutside.itemTag': '{item}, serial {serial} (your {tag})',
  'toldOutside.found': 'On {found} we examined your {item}, before anything was adjusted, and found it outside its tolerance:',
  'toldOutside.lastGood': 'It was last found and left in tolerance on {lastGood}. When it drifted in between can’t be told.',
  'toldOutside.neverGood': 'We have no earlier calibration of it on record: since when it reads like this can’t be told.',
  'toldOutside.doubtSince': 'In doubt are readings of {which} from {lastGood} to {found}.',
  'toldOutside.doubt': 'In doubt are readings of {which} up to {found}.',
  'toldOutside.late': 'Reading like this, an alarm may have come late or not at all.',
  'toldOutside.yours':
    'Whether work, records or people are affected is for you to decide, by your own rules and the codes that apply to your site.',
  'toldOutside.certificate': 'The certificate states what was found and how it was left.',
  'toldOutside.line':
    '- {label}, {point}: showed {shown} instead of {target} {unit}{size} (tolerance ± {tolerance} {unit}{expanded}).',
  'toldOutside.tooLow': ', {size} {unit} too low',
  'toldOutside.tooHigh': ', {size} {unit} too high',
  'toldOutside.expanded': ', uncertainty of the error {expanded} {unit}',
  'toldOutside.over': 'over its range',
  'toldOutside.under': 'under its range',
  'toldOutside.fault': 'a fault',
  'toldOutside.flicker': 'no steady figure',
  'toldOutside.interval': 'no single figure',
} as const;
addWords(NOTICE);
