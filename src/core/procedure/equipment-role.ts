/** What stands on the shelf besides bottles and buffers. */
export type EquipmentRole =
  | ''
  | 'regulator'
  | 'tube'
  | 'scrubber'
  | 'zeroTube'
  | 'flowMeter'
  | 'barometer'
  | 'thermometer'
  | 'hygrometer'
  | 'balance'
  | 'reader'
  | 'storage'
  | 'cleaning'
  | 'electrolyte'
  | 'membrane';
