import * as yup from 'yup';
import { LINE_PROTOCOL, type Said } from '@/core/live/said';

export type Parsed =
  { ok: true; said: Said } | { ok: false; code: 'notJson' | 'unknownType' | 'otherProtocol' | 'badShape'; sentence: string };

const DECIMAL = /^[+-]?\d+(\.\d+)?$/;
const text = (most: number) => yup.string().strict(true).max(most);
const decimal = text(20).matches(DECIMAL);
const slot = yup.number().strict(true).integer().min(1).max(32);
const flag = yup.boolean().strict(true).required();

const channel = yup.object({
  slot: slot.required(),
  measurand: text(60).required(),
  unit: text(20).required(),
  resolution: decimal.required(),
  lowest: decimal.required(),
  highest: decimal.required(),
  sensorSerial: text(60).optional(),
  fitted: flag,
  alarmLow: decimal.optional(),
  alarmHigh: decimal.optional(),
  rawAtZeroNew: decimal.optional(),
  rawPerUnitNew: decimal.optional(),
});

const reading = yup.object({
  slot: slot.required(),
  text: text(20).defined(),
  status: text(10).oneOf(['value', 'over', 'under', 'fault']).required(),
  raw: text(20).optional(),
  unit: text(20).optional(),
});

const component = yup.object({
  substance: text(40).required(),
  value: decimal.required(),
  unit: text(20).required(),
  expanded: decimal.required(),
  k: yup.number().strict(true).min(1).max(4).required(),
});
const shown = yup.object({
  slot: slot.required(),
  peak: text(20).required(),
  stel: text(20).optional(),
  twa: text(20).optional(),
});

const SHAPES: Record<Said['type'], yup.ObjectSchema<object>> = {
  hello: yup.object({
    protocol: text(40).required(),
    device: text(20).oneOf(['instrument', 'tagReader', 'barometer', 'flowMeter', 'thermometer', 'hygrometer']).optional(),
    maker: text(60).required(),
    model: text(60).required(),
    serial: text(60).required(),
    firmware: text(40).defined(),
    clock: text(40).required(),
    keys: yup.array(text(20).required()).max(20).required(),
    channels: yup.array(channel).max(32).required(),
  }),
  frame: yup.object({
    seconds: yup.number().strict(true).min(0).required(),
    mode: text(10).oneOf(['warmUp', 'measure', 'zero', 'span', 'unsaved']).required(),
    readings: yup.array(reading).max(32).required(),
    pump: text(10).oneOf(['on', 'off', 'blocked', 'none']).required(),
    alarm: yup.object({ on: flag, latched: flag, sound: flag, light: flag, vibration: flag }).required(),
  }),
  notice: yup.object({
    notice: text(20).oneOf(['zeroed', 'zeroFailed', 'spanned', 'spanFailed', 'saved', 'saveLost', 'acknowledged']).required(),
    slot: slot.optional(),
    text: text(200).optional(),
  }),
  facts: yup.object({
    clock: text(40).required(),
    lastCalibration: text(40).optional(),
    dueInDays: yup.number().strict(true).integer().min(-3650).max(3650).optional(),
    peaks: yup.array(shown).max(32).required(),
    spanValues: yup
      .array(yup.object({ slot: slot.required(), value: decimal.required() }))
      .max(32)
      .required(),
    lastAlarm: text(80).optional(),
    probe: yup
      .object({
        serial: text(60).required(),
        slopePercent: decimal.optional(),
        offsetMv: decimal.optional(),
        cellConstant: decimal.optional(),
        responseSeconds: decimal.optional(),
      })
      .optional()
      .default(undefined),
  }),
  tag: yup.object({
    name: text(120).required(),
    maker: text(80).optional(),
    lot: text(60).required(),
    partNumber: text(60).optional(),
    fitting: text(40).optional(),
    expires: text(10)
      .matches(/^\d{4}-\d{2}(-\d{2})?$/)
      .required(),
    waterVolumeL: decimal.optional(),
    pressureBar: decimal.optional(),
    balance: text(20).optional(),
    certificate: text(80).optional(),
    components: yup.array(component).min(1).max(12).required(),
  }),
  answer: yup.object({ id: text(80).required(), ok: flag, why: text(200).optional() }),
};

/** A value as a few signs of text. Even an object that brings its own `toString` can't break this. */
const shortly = (value: unknown) => (JSON.stringify(value) ?? 'nothing').slice(0, 40);

/**
 * Reads one line of the protocol. The one parser for every way a device may be connected. What is not a line of ours comes back as a reason, never as an error thrown.
 *
 * @example
 * parseLine('{"type":"answer","id":"k1","ok":true}') // { ok: true, said: { type: 'answer', id: 'k1', ok: true } }
 */
export function parseLine(line: string): Parsed {
  let value: unknown;
  try {
    value = JSON.parse(line);
  } catch {
    return { ok: false, code: 'notJson', sentence: 'The device sent something that is no line of this protocol.' };
  }
  const type = (value as { type?: unknown } | null)?.type;
  if (typeof type !== 'string' || !Object.hasOwn(SHAPES, type)) {
    return { ok: false, code: 'unknownType', sentence: `The device sent a line of an unknown kind (${shortly(type)}).` };
  }
  if (type === 'hello' && (value as { protocol?: unknown }).protocol !== LINE_PROTOCOL) {
    return {
      ok: false,
      code: 'otherProtocol',
      sentence: `The device speaks ${shortly((value as { protocol?: unknown }).protocol)}, this program ${LINE_PROTOCOL}.`,
    };
  }
  try {
    const said = SHAPES[type as Said['type']].validateSync(value, { stripUnknown: true });
    const numberless =
      type === 'frame'
        ? (said as { readings: { status: string; text: string }[] }).readings.find(
            (one) => one.status === 'value' && !DECIMAL.test(one.text),
          )
        : undefined;
    if (numberless) return { ok: false, code: 'badShape', sentence: `The device sent “${numberless.text}” as a number.` };
    return { ok: true, said: { ...said, type } as Said };
  } catch (error) {
    return {
      ok: false,
      code: 'badShape',
      sentence: `The device sent a ${type} that is not in order: ${(error as Error).message}.`,
    };
  }
}
