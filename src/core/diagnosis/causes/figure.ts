import type { Dip } from './probe-facts';

/** Beyond 2 °C a temperature sensor is recalibrated; over 1 °C it is watched (common practice). */
export const TEMPERATURE_OFF = 2;
/** Nine tenths within a minute is usual for a probe in water (common practice). */
export const SLOW_SECONDS = 60;

export const figure = (value: number, places = 1): string => value.toFixed(places).replace('-', '−');
export const off = (dip: Dip): boolean => Math.abs(dip.shown - dip.value) > dip.tolerance;
export const share = (dip: Dip): number => (dip.value === 0 ? 1 : dip.shown / dip.value);
