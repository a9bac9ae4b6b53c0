import { measurandOf } from '../measurand';
import { pointed } from '../quantity/pointed';
import type { PointInput } from '../measurand/measurand';
import type { Point } from '../procedure/procedure';
import type { RunChannel } from '../record/event';
import { refuse, type Refusal } from '../words/refusal';

export type { PointInput } from '../measurand/measurand';

/** Beyond these it is a slip of the keys: what an electrode can give in mV, and a liquid at the bench in °C. */
const LIMITS: Record<string, [lowest: number, highest: number]> = { millivolts: [-2000, 2000], temperatureC: [-5, 100] };

/** What has to be known beside the reading before it can be judged at this point; the measurand says. */
export function inputsOfPoint(point: Point, channel: RunChannel): PointInput[] {
  return point.target.kind === 'observe'
    ? [{ name: 'before', label: 'before', needed: false }]
    : measurandOf(channel.measurand).inputs(point, channel);
}

/**
 * What was typed beside the reading, trimmed; an empty field counts as not typed. Refused beside its field when it is no number.
 *
 * @example
 * typedInputs(point, channel, { temperatureC: ' 22.0 ', millivolts: '' }) // { temperatureC: '22.0' }
 */
export function typedInputs(point: Point, channel: RunChannel, given: Record<string, string>): Record<string, string> | Refusal {
  const typed = Object.entries(given).flatMap(([name, text]) => (text.trim() === '' ? [] : [[name, pointed(text)] as const]));
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
