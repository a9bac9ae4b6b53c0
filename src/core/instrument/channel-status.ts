/** Whether a channel of an instrument takes part. Closed. */
export const CHANNEL_STATUSES = ['fitted', 'removed', 'notCalibrated'] as const;
export type ChannelStatus = (typeof CHANNEL_STATUSES)[number];
