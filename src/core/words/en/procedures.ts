import { addWords } from '../registry';
import '../choices';

/** Words of the room of procedures. */
export const PROCEDURES_WORDS = {
  'procedures.title': 'Procedures',
  'procedures.what': 'Each step with its reason, as it stands on the run sheet. A version that a run used is frozen.',
  'procedures.name': 'Procedure',
  'procedures.version': 'Version',
  'procedures.models': 'Models',
  'procedures.json': 'As JSON',
  'procedures.method': 'Method',
  'procedures.scope':
    '{scope, select, calibration {Calibration} zeroOnly {Zero only} accuracyCheck {Accuracy check} other {Bump test only}}',
  'procedures.warmUp': 'Warm-up {minutes} min',
  'procedures.channels': 'Channels',
  'procedures.slots': 'What stands ready',
  'procedures.points': 'Points',
  'procedures.steps': 'Steps',
  'procedures.cautions': 'Cautions',
  'procedures.schools': 'Where practitioners disagree',
  'procedures.optional': '{label} (where fitted)',
  'procedures.maybe': 'on some days',
  'procedures.tolerance': '{tolerance, select, zero {tolerance at zero} none {tolerance of the channel} other {{tolerance}}}',
  'procedures.by': 'as {model} goes through it',
  'procedures.noModel': 'no model goes through it',
} as const;
addWords(PROCEDURES_WORDS);
