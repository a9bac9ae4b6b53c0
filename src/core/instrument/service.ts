/** What a customer can order for an instrument. Closed: each decides which procedure runs, and what may be touched. */
export const SERVICES = ['calibrate', 'asFoundOnly', 'bumpOnly', 'bumpThenCalibrate', 'calibrateRepair'] as const;
export type ServiceId = (typeof SERVICES)[number];

/**
 * Whether a text is a service.
 * Errors: none.
 *
 * @example
 * isService('bumpOnly') // true
 */
export const isService = (text: string): text is ServiceId => (SERVICES as readonly string[]).includes(text);

/** Services that begin with a bump, where the instrument measures gas. */
export const BEGINS_WITH_BUMP: Record<ServiceId, boolean> = {
  calibrate: false,
  asFoundOnly: false,
  bumpOnly: true,
  bumpThenCalibrate: true,
  calibrateRepair: false,
};
