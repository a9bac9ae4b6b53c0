import type { Traits } from '../instrument/traits';
import type { Procedure } from '../procedure/procedure';
import { UNITS_OF } from '../quantity/unit';
import type { ModelChannel } from './channel';
import type { ModelProblem } from './model-problem';
import { toleranceProblems } from './tolerance-problems';
import '@/core/words/en/models';
import '@/core/words/en/certificate';

interface Model {
  traits: Traits;
  channels: readonly ModelChannel[];
  procedure: Pick<Procedure, 'title' | 'channels'>;
}

/**
 * What of a model does not fit together, so that it is said where it is typed: channels against its family's procedure, units, ranges, steps, tolerances, alarm points, properties that exclude each other. Empty where all fits.
 * Source: common practice (a tolerance under the display's step can't be judged; alarm points lie in the range).
 *
 * @example
 * modelProblems({ traits: { pumpSwitchable: true }, channels, procedure }) // [{ field: 'traits.pumpSwitchable', code: 'model.switchUnpumped' }]
 */
export function modelProblems({ traits, channels, procedure }: Model): ModelProblem[] {
  const problems: ModelProblem[] = [];
  if (traits.pumpSwitchable && !traits.pumped) problems.push({ field: 'traits.pumpSwitchable', code: 'model.switchUnpumped' });
  if (traits.spanFixed && traits.spanStored) problems.push({ field: 'traits.spanStored', code: 'model.spanTwice' });
  for (const place of procedure.channels) {
    const there = channels.some((channel) => channel.role === place.role);
    if (!there && !place.optional)
      problems.push({
        field: 'channels',
        code: 'model.channelMissing',
        numbers: { channel: place.label, procedure: procedure.title },
      });
  }
  if (channels.length === 0) problems.push({ field: 'channels', code: 'model.noChannel' });
  channels.forEach((channel, index) => {
    const at = (name: string) => `channels.${index}.${name}`;
    const place = procedure.channels.find((one) => one.role === channel.role);
    if (!place)
      problems.push({
        field: at('label'),
        code: 'model.channelUnread',
        numbers: { channel: channel.label, procedure: procedure.title },
      });
    else if (!place.measurands.includes(channel.measurand))
      problems.push({
        field: at('measurand'),
        code: 'model.measurandElsewhere',
        numbers: { channel: place.label, measurand: channel.measurand },
      });
    if (channels.findIndex((other) => other.role === channel.role) < index)
      problems.push({ field: at('label'), code: 'model.channelTwice', numbers: { channel: channel.label } });
    problems.push(...channelProblems(channel, at));
  });
  return problems;
}

function channelProblems(channel: ModelChannel, at: (name: string) => string): ModelProblem[] {
  const problems: ModelProblem[] = [];
  const say = (name: string, code: ModelProblem['code'], numbers?: Record<string, string>) =>
    problems.push({ field: at(name), code, ...(numbers ? { numbers } : {}) });
  const { unit, alarms } = channel;
  const [step, lowest, highest] = [channel.resolution, channel.lowest, channel.highest].map(Number) as [number, number, number];
  const units: readonly string[] = UNITS_OF[channel.measurand];
  if (!units.includes(unit)) say('unit', 'model.unit', { measurand: channel.measurand, units: units.join(', ') });
  if (!(step > 0)) say('resolution', 'model.step');
  if (!(highest > lowest)) say('highest', 'model.range');
  else if (step > (highest - lowest) / 2) say('resolution', 'model.stepRange');
  for (const one of toleranceProblems(channel)) say(one.field, one.code, one.numbers);
  for (const part of ['low', 'high'] as const) {
    const point = alarms?.[part];
    if (point !== undefined && !(Number(point) >= lowest && Number(point) <= highest))
      say(`alarms.${part}`, 'model.alarmRange', { lowest: channel.lowest, highest: channel.highest, unit });
  }
  if (alarms?.low !== undefined && alarms.high !== undefined && !(Number(alarms.high) > Number(alarms.low)))
    say('alarms.high', 'model.alarmOrder');
  if (unit === '%LEL' && !channel.scale) say('unit', 'model.noScale');
  return problems;
}
