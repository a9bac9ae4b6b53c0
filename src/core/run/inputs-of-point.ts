import type { Point } from '../procedure/procedure';
import type { RunChannel } from './event';
import { refuse, type Refusal } from './refusal';

export interface PointInput {
  name: string;
  label: string;
  needed: boolean;
}

const TEMPERATURE = { name: 'temperatureC', label: '°C', needed: true };

/** Beyond these it is a slip of the keys: what an electrode can give in mV, and a liquid at the bench in °C. */
const LIMITS: Record<string, [lowest: number, highest: number]> = { millivolts: [-2000, 2000], temperatureC: [-5, 100] };

/** What has to be known beside the reading before it can be judged at this point: temperature of the liquid, millivolts, a strip's two fields. */
export function inputsOfPoint(point: Point, channel: RunChannel): PointInput[] {
  const { target } = point;
  const voltage = { name: 'millivolts', label: 'mV', needed: target.kind === 'recognised' };
  switch (target.kind) {
    case 'recognised':
      return [voltage, TEMPERATURE];
    case 'observe':
      return [{ name: 'before', label: 'before', needed: false }];
    case 'comparison':
      return [{ name: 'comparison', label: 'reference shows', needed: true }];
    case 'strip':
      return [
        { name: 'low', label: 'from', needed: true },
        { name: 'high', label: 'to', needed: true },
      ];
    case 'computed':
      return target.function === 'airSaturatedOxygen' ? [TEMPERATURE] : [];
    case 'material':
      if (target.via === 'atTemperature') return channel.measurand === 'pH' ? [voltage, TEMPERATURE] : [TEMPERATURE];
      if (channel.measurand === 'ion concentration') return [voltage, TEMPERATURE];
      return target.via === 'compensated' ? [TEMPERATURE] : [];
    case 'fixed':
      return [];
  }
}

/**
 * What was typed beside the reading, trimmed; an empty field counts as not typed. Refused beside its field when it is no number.
 *
 * @example
 * typedInputs(point, channel, { temperatureC: ' 22.0 ', millivolts: '' }) // { temperatureC: '22.0' }
 */
export function typedInputs(point: Point, channel: RunChannel, given: Record<string, string>): Record<string, string> | Refusal {
  const typed = Object.entries(given).flatMap(([name, text]) => (text.trim() === '' ? [] : [[name, text.trim()] as const]));
  for (const { name, label } of inputsOfPoint(point, channel)) {
    const text = typed.find(([one]) => one === name)?.[1];
    if (text !== undefined && !/^[+-]?\d{1,9}(\.\d{1,9})?$/.test(text))
      return refuse(
        'notANumber',
        `“${text}” is no number (${label}): figures with a point, a minus before them where it is one.`,
        {
          field: name,
        },
      );
    const [lowest, highest] = LIMITS[name] ?? [-Infinity, Infinity];
    if (text !== undefined && (Number(text) < lowest || Number(text) > highest))
      return refuse('outOfReach', `${text} ${label} can’t be: ${lowest} to ${highest} ${label}. Check the figure.`, {
        field: name,
      });
  }
  return Object.fromEntries(typed);
}
