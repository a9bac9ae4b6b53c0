import * as yup from 'yup';

/** How a channel stands in one instrument. */
export const CHANNEL_STATES = ['fitted', 'removed', 'notCalibrated'] as const;

/** What of a channel is the instrument's own, and not its model's. */
export interface ChannelState {
  id: string;
  status: (typeof CHANNEL_STATES)[number];
  sensorSerial: string | null;
  /** YYYY-MM-DD */
  installedOn: string | null;
  warrantyUntil: string | null;
}

export const pickChannel = ({ id, status, sensorSerial, installedOn, warrantyUntil }: ChannelState): ChannelState => ({
  id,
  status,
  sensorSerial: sensorSerial || null,
  installedOn,
  warrantyUntil,
});

/** What tells whether somebody else changed them since they were looked at. */
export const stampOfChannels = (channels: readonly ChannelState[]): string => JSON.stringify(channels.map(pickChannel));

const day = yup
  .string()
  .nullable()
  .default(null)
  .transform((value: string | null) => value || null)
  .matches(/^\d{4}-\d{2}-\d{2}$/, { message: 'A day.', excludeEmptyString: true });

export const channelsSchema = yup.object({
  assetId: yup.string().uuid().required(),
  seen: yup.string().required().max(20_000),
  why: yup.string().trim().min(3, 'Say in a few words why.').max(300).required('Say in a few words why.'),
  channels: yup
    .array(
      yup.object({
        id: yup.string().uuid().required(),
        status: yup.string().oneOf(CHANNEL_STATES).required(),
        sensorSerial: yup
          .string()
          .trim()
          .max(60, 'At most 60 characters.')
          .nullable()
          .default(null)
          .transform((value: string | null) => value || null),
        installedOn: day,
        warrantyUntil: day.test('order', 'It ends before it begins.', function (until) {
          const { installedOn } = this.parent as { installedOn: string | null };
          return !until || !installedOn || until >= installedOn;
        }),
      }),
    )
    .max(24)
    .required(),
});
