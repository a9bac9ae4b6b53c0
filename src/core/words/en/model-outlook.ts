import { addWords } from '../registry';
import '../choices';

/** Words of what the instruments of a model say together. */
export const MODEL_OUTLOOK = {
  'modelOutlook.title': 'What these instruments say together',
  'modelOutlook.share': 'Found within: {within} of {visits} visits, {percent} % ({lower} to {upper} % at 95 % confidence).',
  'modelOutlook.lives': 'How long sensors serve',
  'modelOutlook.noLives': 'No sensor of this model was changed here yet.',
  'modelOutlook.life':
    '{sensors, plural, one {# sensor} other {# sensors}}, {ended} of them changed; {median, plural, =0 {more than half serve still} one {half serve # month} other {half serve # months}}. Counted from when it was fitted, or first seen here.',
  'modelOutlook.fails': 'What is found outside',
  'modelOutlook.noFails': 'Nothing was found outside.',
  'modelOutlook.of': '{outside} of {of}',
  'modelOutlook.drift': 'How sensors drift',
  'modelOutlook.noDrift': 'Too few visits yet: from eight sensors and twenty steps on.',
  'modelOutlook.goes':
    '{perMonth} % of the tolerance a month, from sensor to sensor ± {spread}; a visit scatters by {noise} % (of {sensors} sensors).',
} as const;
addWords(MODEL_OUTLOOK);
