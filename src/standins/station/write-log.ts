import type { StationRow } from '@/core/station/station-row';

const COLUMNS = [
  'station',
  'time',
  'maker',
  'model',
  'serial',
  'kind',
  'result',
  'lot',
  'expires',
  'lot2',
  'expires2',
  'lot3',
  'expires3',
  'lot4',
  'expires4',
  'interval',
  'sound',
  'light',
  'vibration',
];
const PER_CHANNEL = ['measurand', 'unit', 'target', 'before', 'after', 'moved', 't90', 'lot'];

export const csvHeader = (channels = 5): string =>
  [...COLUMNS, ...Array.from({ length: channels }, (_one, i) => PER_CHANNEL.map((name) => `ch${i + 1}_${name}`)).flat()].join(
    ',',
  );

const quoted = (value: unknown) => {
  const text = value === undefined ? '' : String(value);
  return /[",\n]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text;
};

/** A row as this station writes it in CSV. */
export function csvLine(row: StationRow, channels = 5): string {
  const head = [
    row.station,
    row.at,
    row.maker,
    row.model,
    row.serial,
    row.kind,
    row.passed ? 'pass' : 'fail',
    ...[0, 1, 2, 3].flatMap((index) => [row.gases[index]?.lot, row.gases[index]?.expires]),
    row.intervalDays,
    row.outputs.sound,
    row.outputs.light,
    row.outputs.vibration,
  ];
  const groups = Array.from({ length: channels }, (_one, i) => {
    const channel = row.channels[i];
    return [
      channel?.measurand,
      channel?.unit,
      channel?.target,
      channel?.before,
      channel?.after,
      channel?.moved,
      channel?.t90Seconds,
      channel?.lot,
    ];
  });
  return [...head, ...groups.flat()].map(quoted).join(',');
}
