import type { ChannelInfo } from '../live/said';
import type { RunChannel } from '../record/event';

/** What an instrument of practice says of its channels when it comes on: those of the run, one a slot, without what an exercise took out. */
export const practiceInfos = (channels: readonly RunChannel[], absent: readonly string[] = []): ChannelInfo[] =>
  channels.map((one, index) => ({
    slot: index + 1,
    measurand: one.measurand,
    unit: one.unit,
    resolution: one.resolution,
    lowest: one.lowest ?? '0',
    highest: one.highest ?? '0',
    fitted: one.status === 'fitted' && !absent.includes(one.id),
    ...(one.alarms?.low ? { alarmLow: one.alarms.low } : {}),
    ...(one.alarms?.high ? { alarmHigh: one.alarms.high } : {}),
  }));
