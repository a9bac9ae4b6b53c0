import { measurandOf } from '../measurand';
import { isMeasurand } from '../quantity/unit';
import type { RunChannel } from '../record/event';
import type { ChannelInfo } from './said';

export type ChannelMatch = { slot: number } | { problem: string };

/** On the wire a catalytic sensor may name its gas or only say that it is combustible: one place on the instrument all the same. */
const ANY_COMBUSTIBLE = 'combustible gas';
const kind = (measurand: string) =>
  isMeasurand(measurand) && measurandOf(measurand).sensor?.poisons ? ANY_COMBUSTIBLE : measurand;

/**
 * Which slot of a connected instrument feeds which channel of the run: by measurand, then unit and display step have to be the same, or it is said why not.
 * Channels of a run are known by id. Errors: none.
 *
 * @example
 * matchChannels([{ slot: 4, measurand: 'carbon monoxide', unit: 'ppm', … }], [co]) // { 'c-co': { slot: 4 } }
 */
export function matchChannels(infos: readonly ChannelInfo[], channels: readonly RunChannel[]): Record<string, ChannelMatch> {
  return Object.fromEntries(
    channels.map((channel): [string, ChannelMatch] => {
      // A meter with two ranges has the measurand twice: the one with the sheet's unit.
      const alike = infos.filter((one) => kind(one.measurand) === kind(channel.measurand));
      const info = alike.find((one) => one.unit === channel.unit) ?? alike[0];
      if (!info) return [channel.id, { problem: `The instrument has no channel for ${channel.label}.` }];
      if (info.unit !== channel.unit)
        return [channel.id, { problem: `It shows ${info.unit}, the sheet expects ${channel.unit}: type what it shows.` }];
      if (!info.fitted) return [channel.id, { problem: 'The instrument says that this sensor is not fitted.' }];
      return [channel.id, { slot: info.slot }];
    }),
  );
}
