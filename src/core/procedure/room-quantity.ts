/** What of the room is recorded. Closed. */
export const ROOM_QUANTITIES = ['temperatureC', 'pressureHPa', 'humidityPercent'] as const;
export type RoomQuantity = (typeof ROOM_QUANTITIES)[number];
