import * as yup from 'yup';
import { CHANNEL_STATUSES } from '../instrument/channel-status';
import { SETTING_KINDS } from '../instrument/setting';
import type { Command } from './command';

/** Trimmed text. The library's own `trim` fails on an object instead of naming the field. */
const text = (most: number) =>
  yup
    .string()
    .transform((value: unknown) => (typeof value === 'string' ? value.trim() : value))
    .max(most);
const step = text(200).required();
const reason = text(500).min(3, 'Say in a few words why.').required('Say in a few words why.');
/** A map with keys of its own, each value checked: the validator would strip the keys of a plain object, since it knows none of them. */
const mapOf = (value: yup.Schema) =>
  yup.lazy((given: unknown) =>
    given && typeof given === 'object' && !Array.isArray(given)
      ? yup.object(
          Object.fromEntries(
            Object.keys(given)
              .slice(0, 100)
              .map((key) => [key, value]),
          ),
        )
      : yup.object().optional().default(undefined),
  );
const figures = mapOf(text(60).defined());
const answers = mapOf(yup.object({ value: text(200).defined(), note: text(500).optional() }));
const movements = mapOf(
  yup.object({
    moved: yup.boolean().required(),
    rightWay: yup.boolean().nullable().defined(),
    shown: text(20).optional(),
    before: text(20).optional(),
    t50Seconds: yup.number().min(0).max(3600).optional(),
    t90Seconds: yup.number().min(0).max(3600).optional(),
  }),
);

const decimal = text(20).matches(/^\d+(\.\d+)?$/, { message: 'A decimal number.', excludeEmptyString: true });
const capture = yup.object({
  line: yup.string().uuid().required(),
  spread: decimal.required(),
  windowSeconds: yup.number().min(0).max(3600).required(),
  t50Seconds: yup.number().min(0).max(3600).optional(),
  t90Seconds: yup.number().min(0).max(3600).optional(),
  settling: decimal.optional(),
  samples: yup
    .object({
      n: yup.number().min(2).max(100_000).required(),
      s: yup.number().min(0).required(),
      correlation: yup.number().min(-1).max(1).required(),
      worth: yup.number().min(1).max(100_000).required(),
    })
    .optional()
    .default(undefined),
  perMinute: text(20)
    .matches(/^-?\d+(\.\d+)?$/, 'A decimal number.')
    .optional(),
  raw: text(20).optional(),
});

const reading = {
  point: text(60).required(),
  channel: text(60).required(),
  text: text(20).defined().default(''),
  status: yup.string().oneOf(['value', 'over', 'under', 'fault', 'flicker']).optional(),
  inputs: figures,
  deviation: text(500).optional(),
  capture: capture.optional().default(undefined),
};

/** One schema a command, shared by the form and the route. `start` is missing on purpose: a run is started by the bench, never by a post. */
const SCHEMAS: Record<Exclude<Command['type'], 'start'>, yup.ObjectSchema<object>> = {
  enterStep: yup.object({ step }),
  completeStep: yup.object({
    step,
    answers,
    conditions: figures,
    equipment: figures,
    shown: figures,
    deviation: text(500).optional(),
  }),
  skipStep: yup.object({ step, reason }),
  bindReference: yup.object({
    slot: text(60).required(),
    reference: text(60).required('Choose one.'),
    flowLPerMin: text(10)
      .matches(/^\d+([.,]\d+)?$/, { message: 'A flow such as 0.5', excludeEmptyString: true })
      .optional(),
    regulator: text(60).optional(),
  }),
  changeStimulus: yup.object({ step, slot: text(60).required(), on: yup.boolean().required() }),
  captureReading: yup.object({ step, ...reading }),
  captureReadings: yup.object({ step, readings: yup.array(yup.object(reading)).min(1).max(24).required() }),
  adjust: yup.object({
    step,
    channels: yup.array(text(60).required()).min(1).required(),
    outcome: yup.string().oneOf(['passed', 'failed', 'applied', 'discarded']).required('Did the instrument accept it?'),
    readBack: figures,
  }),
  save: yup.object({ step, readBack: text(60).optional(), lost: yup.boolean().optional() }),
  bump: yup.object({ step, channels: movements, outputs: mapOf(yup.boolean().required()) }),
  care: yup.object({
    step,
    materials: yup.array(text(60).required()).max(4).optional(),
    note: text(500).optional(),
  }),
  replacePart: yup.object({
    channel: text(60).required(),
    part: text(60).required(),
    newSerial: text(60).required('The new serial is needed.'),
  }),
  setChannel: yup.object({
    channel: text(60).required(),
    status: yup
      .string()
      .oneOf([...CHANNEL_STATUSES])
      .required(),
    reason,
  }),
  changeSetting: yup.object({
    kind: yup
      .string()
      .oneOf([...SETTING_KINDS])
      .required(),
    setting: text(60).required(),
    before: text(60).required(),
    after: text(60).required(),
    agreedBy: text(80).optional(),
  }),
  decide: yup.object({ step, option: text(60).required('Choose one.'), note: text(500).optional() }),
  strike: yup.object({ seq: yup.number().integer().min(1).required(), reason }),
  correct: yup.object({
    seq: yup.number().integer().min(1).required(),
    text: text(20).optional(),
    reference: text(60).optional(),
    inputs: figures,
    reason,
  }),
  note: yup.object({ text: text(1000).min(1).required() }),
  takePaper: yup.object({
    day: text(10)
      .matches(/^\d{4}-\d{2}-\d{2}$/, 'The day of the work.')
      .required('The day of the work.'),
    by: text(80).required('Who wrote it.'),
    photos: yup
      .array(
        yup
          .string()
          .matches(/^[0-9a-f]{64}$/)
          .required(),
      )
      .min(1, 'A photo of the sheet belongs to it.')
      .max(6)
      .required('A photo of the sheet belongs to it.'),
  }),
  finish: yup.object({ statement: text(1000).optional() }),
  sendBack: yup.object({ note: reason }),
  approve: yup.object({ note: text(1000).optional() }),
  reopen: yup.object({ reason }),
  abort: yup.object({ reason }),
};

/** Checks a posted command. Errors: yup.ValidationError with the field's path. Unknown types and `start` are refused. */
export function parseCommand(value: unknown): Exclude<Command, { type: 'start' }> {
  const type = (value as { type?: string } | null)?.type ?? '';
  const schema = Object.hasOwn(SCHEMAS, type) ? SCHEMAS[type as keyof typeof SCHEMAS] : null;
  if (!schema) throw new yup.ValidationError(`“${String(type)}” is not something a run can do.`, value, 'type');
  return { ...schema.validateSync(value, { stripUnknown: true, abortEarly: false }), type } as Exclude<
    Command,
    { type: 'start' }
  >;
}
