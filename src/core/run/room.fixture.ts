import type { ReferenceSnapshot } from '../record/reference-snapshot';

/** Certificate, traceability and acceptance: what everything that is traced through has. */
export const TRACED = {
  certificate: 'CERT-1',
  traceability: 'traceable to the SI',
  accepted: { on: '2026-01-05', by: 'Tess Bench' },
} as const;

const tool = (
  id: string,
  role: 'thermometer' | 'hygrometer' | 'barometer',
  components: ReferenceSnapshot['components'],
): ReferenceSnapshot => ({
  id,
  kind: 'tool',
  role,
  name: role[0]!.toUpperCase() + role.slice(1),
  lot: `${id}-1`,
  expires: '2099-12-31',
  components,
  ...TRACED,
});

export const thermometer = tool('ref-thermometer', 'thermometer', [
  { substance: 'temperature', value: '1', unit: '°C', expanded: '0.1', k: 2 },
]);
export const hygrometer = tool('ref-hygrometer', 'hygrometer', [
  { substance: 'humidity', value: '1', unit: '%', expanded: '2.5', k: 2 },
  { substance: 'temperature', value: '1', unit: '°C', expanded: '0.3', k: 2 },
]);
export const barometer = tool('ref-barometer', 'barometer', [
  { substance: 'pressure', value: '1', unit: 'hPa', expanded: '0.5', k: 2 },
]);
export const ROOM_REFERENCES = [thermometer, hygrometer, barometer];
export const ROOM_EQUIPMENT = {
  temperatureC: hygrometer.id,
  pressureHPa: barometer.id,
  humidityPercent: hygrometer.id,
};
