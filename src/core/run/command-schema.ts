import * as yup from 'yup';
import type { Command } from './command';

const text = (most: number) => yup.string().trim().max(most);
const step = text(200).required();
const reason = text(500).min(3, 'Say in a few words why.').required('Say in a few words why.');
const figures = yup.object().test('texts', 'figures must be texts', (value) => !value || Object.values(value).every((entry) => typeof entry === 'string' && entry.length <= 60));

/** One schema a command, shared by the form and the route. `start` is missing on purpose: a run is started by the bench, never by a post. */
const SCHEMAS: Record<Exclude<Command['type'], 'start'>, yup.ObjectSchema<object>> = {
  enterStep: yup.object({ step }),
  completeStep: yup.object({ step, answers: yup.object().optional().default(undefined), conditions: figures.optional().default(undefined), deviation: text(500).optional() }),
  skipStep: yup.object({ step, reason }),
  bindReference: yup.object({ slot: text(60).required(), reference: text(60).required('Choose one.'), flowLPerMin: text(10).matches(/^\d+(\.\d+)?$/, { message: 'A flow such as 0.5', excludeEmptyString: true }).optional() }),
  changeStimulus: yup.object({ step, slot: text(60).required(), on: yup.boolean().required() }),
  captureReading: yup.object({ step, point: text(60).required(), channel: text(60).required(), text: text(20).defined().default(''), status: yup.string().oneOf(['value', 'over', 'under', 'fault', 'flicker']).optional(), inputs: figures.optional().default(undefined) }),
  adjust: yup.object({ step, channels: yup.array(text(60).required()).min(1).required(), outcome: yup.string().oneOf(['passed', 'failed', 'applied', 'discarded']).required('Did the instrument accept it?'), readBack: figures.optional().default(undefined) }),
  save: yup.object({ step, readBack: text(60).optional() }),
  bump: yup.object({ step, channels: yup.object().required(), outputs: yup.object().required() }),
  care: yup.object({ step, note: text(500).optional() }),
  replacePart: yup.object({ channel: text(60).required(), part: text(60).required(), newSerial: text(60).required('The new serial is needed.') }),
  changeSetting: yup.object({ setting: text(60).required(), before: text(60).required(), after: text(60).required(), agreedBy: text(80).optional() }),
  decide: yup.object({ step, option: text(60).required('Choose one.'), note: text(500).optional() }),
  strike: yup.object({ seq: yup.number().integer().min(1).required(), reason }),
  note: yup.object({ text: text(1000).min(1).required() }),
  finish: yup.object({ statement: text(1000).optional() }),
  sendBack: yup.object({ note: reason }),
  approve: yup.object({ note: text(1000).optional() }),
  abort: yup.object({ reason }),
};

/** Checks a posted command. Errors: yup.ValidationError with the field's path. Unknown types and `start` are refused. */
export function parseCommand(value: unknown): Exclude<Command, { type: 'start' }> {
  const type = (value as { type?: string } | null)?.type ?? '';
  const schema = Object.hasOwn(SCHEMAS, type) ? SCHEMAS[type as keyof typeof SCHEMAS] : null;
  if (!schema) throw new yup.ValidationError(`“${String(type)}” is not something a run can do.`, value, 'type');
  return { ...schema.validateSync(value, { stripUnknown: true, abortEarly: false }), type } as Exclude<Command, { type: 'start' }>;
}
