/** Equipment of the bench. Closed. */
export const TOOL_ROLES = [
  'regulator',
  'tube',
  'scrubber',
  'zeroTube',
  'flowMeter',
  'barometer',
  'thermometer',
  'hygrometer',
  'balance',
] as const;
/** What care takes from the shelf. Closed. */
export const SOLUTION_ROLES = ['storage', 'cleaning', 'electrolyte', 'membrane'] as const;
/** What stands on the shelf besides bottles and buffers. Closed. */
export const EQUIPMENT_ROLES = [...TOOL_ROLES, 'reader', ...SOLUTION_ROLES] as const;
export type EquipmentRole = '' | (typeof EQUIPMENT_ROLES)[number];
