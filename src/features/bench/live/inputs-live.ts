import { THERMOMETER_SLOT } from '@/core/measurand/liquid-temperature';
import type { Point } from '@/core/procedure/procedure';
import type { RunChannel } from '@/core/record/event';
import { inputsOfPoint } from '@/core/run/inputs-of-point';
import { boundReference, type RunState } from '@/core/record/state';
import { lookOf, type Sheet } from '../sheet';

/**
 * What is known beside a reading without typing: the electrode's millivolts off the meter's line, the liquid's temperature off the thermometer's line, or as it was last
 * read in this same liquid. Never the temperature of the instrument itself, unless nothing else was dipped. What a person types overrules it.
 */
export function inputsFromLine(
  sheet: Pick<Sheet, 'view' | 'live' | 'run' | 'thermometer'>,
  point: Point,
  channel: RunChannel,
): Record<string, string> {
  const own = lookOf(sheet, channel.id);
  const { state } = sheet.run;
  const known: Record<string, string | undefined> = {
    millivolts: own?.status === 'value' && own.raw !== null ? own.raw : undefined,
    temperatureC: boundReference(state, THERMOMETER_SLOT) ? (sheet.thermometer ?? lastInLiquid(state)) : undefined,
    comparison: channel.measurand === 'temperature' ? sheet.thermometer : undefined,
  };
  const asked = inputsOfPoint(point, channel);
  const read = Object.fromEntries(asked.flatMap(({ name }) => (known[name] === undefined ? [] : [[name, known[name]]])));
  if (!asked.some((one) => one.name === 'temperatureC') || boundReference(state, THERMOMETER_SLOT)) return read;
  return withoutThermometer(sheet, read);
}

/** The thermometer was left out with a reason: the instrument's own sensor has to do, and says so. */
function withoutThermometer(sheet: Pick<Sheet, 'view' | 'live' | 'run'>, read: Record<string, string>): Record<string, string> {
  const asked = sheet.view.procedure.slots.some((slot) => slot.id === THERMOMETER_SLOT);
  const sensor = sheet.run.state.channels.find((one) => one.measurand === 'temperature');
  const look = sensor && lookOf(sheet, sensor.id);
  return {
    ...read,
    ...(asked ? { temperatureFrom: 'instrument' } : {}),
    ...(look?.status === 'value' ? { temperatureC: look.stable?.text ?? look.text } : {}),
  };
}

/** What the thermometer showed at the last reading since the probe went into this liquid. */
function lastInLiquid(state: RunState): string | undefined {
  const dipped = state.stimuli.findLast((span) => span.offAt === null)?.onSeq ?? Infinity;
  return state.readings.findLast((one) => one.seq > dipped && one.inputs.temperatureC !== undefined)?.inputs.temperatureC;
}

/** Typed before read off, read off before nothing; an empty field is not typed. */
export const withTyped = (line: Record<string, string>, typed: Record<string, string>): Record<string, string> => ({
  ...line,
  ...Object.fromEntries(Object.entries(typed).filter(([, value]) => value.trim() !== '')),
});
