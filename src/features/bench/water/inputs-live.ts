import type { Point } from '@/core/procedure/procedure';
import type { RunChannel } from '@/core/run/event';
import { inputsOfPoint } from '@/core/run/inputs-of-point';
import { lookOf, type Sheet } from '../sheet';

/** What the meter's line itself says to the questions beside a reading: millivolts of the electrode, temperature of the liquid. What a person types overrules it. */
export function inputsFromLine(
  sheet: Pick<Sheet, 'view' | 'live' | 'run'>,
  point: Point,
  channel: RunChannel,
): Record<string, string> {
  const own = lookOf(sheet, channel.id);
  const thermometer = sheet.run.state.channels.find((one) => one.measurand === 'temperature');
  const temperature = thermometer && lookOf(sheet, thermometer.id);
  const known: Record<string, string | undefined> = {
    millivolts: own?.status === 'value' && own.raw !== null ? own.raw : undefined,
    temperatureC: temperature?.status === 'value' ? (temperature.stable?.text ?? temperature.text) : undefined,
  };
  return Object.fromEntries(
    inputsOfPoint(point, channel).flatMap(({ name }) => (known[name] === undefined ? [] : [[name, known[name]]])),
  );
}

/** Typed before read off, read off before nothing; an empty field is not typed. */
export const withTyped = (line: Record<string, string>, typed: Record<string, string>): Record<string, string> => ({
  ...line,
  ...Object.fromEntries(Object.entries(typed).filter(([, value]) => value.trim() !== '')),
});
