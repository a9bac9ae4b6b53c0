/** What may be set in an instrument, as far as it matters who agreed. Closed. */
export const SETTING_KINDS = ['alarm', 'span', 'interval', 'clock', 'other'] as const;
export type SettingKind = (typeof SETTING_KINDS)[number];

/** Whoever uses the instrument relies on these: a change needs somebody's word. A clock is just set right. */
export const NEEDS_AGREEMENT: Record<SettingKind, boolean> = {
  alarm: true,
  span: true,
  interval: true,
  clock: false,
  other: true,
};
