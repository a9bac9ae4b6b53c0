import type { Point } from '../procedure/procedure';
import type { RunChannel } from './event';

export interface PointInput {
  name: string;
  label: string;
  needed: boolean;
}

const TEMPERATURE = { name: 'temperatureC', label: '°C', needed: true };

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
