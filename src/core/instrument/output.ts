/** What tells a person in danger. */
export const OUTPUTS = ['sound', 'light', 'vibration'] as const;
export type Output = (typeof OUTPUTS)[number];
