/** What a customer can order for an instrument. Closed: each decides which procedure runs, and what may be touched. */
export const SERVICES = ['calibrate', 'asFoundOnly', 'bumpOnly', 'bumpThenCalibrate', 'calibrateRepair'] as const;
export type ServiceId = (typeof SERVICES)[number];

/** Services that begin with a bump, where the instrument measures gas. */
export const BEGINS_WITH_BUMP: Record<ServiceId, boolean> = {
  calibrate: false,
  asFoundOnly: false,
  bumpOnly: true,
  bumpThenCalibrate: true,
  calibrateRepair: false,
};
