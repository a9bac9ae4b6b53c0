/** What stands on the shelf besides bottles and buffers. Closed. */
export const EQUIPMENT_ROLES = [
  'regulator',
  'tube',
  'scrubber',
  'zeroTube',
  'flowMeter',
  'barometer',
  'thermometer',
  'hygrometer',
  'balance',
  'reader',
  'storage',
  'cleaning',
  'electrolyte',
  'membrane',
] as const;
export type EquipmentRole = '' | (typeof EQUIPMENT_ROLES)[number];
