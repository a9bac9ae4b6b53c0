/** Where stand-ins stand: in the demo's town, whatever the zone of the machine. */
const ZONE = process.env.WERKBANK_STANDIN_ZONE ?? 'Europe/Berlin';

/**
 * The day that a stand-in's own calendar shows at a moment, as ISO 8601. Instruments show their own town's day, and near midnight that is not the machine's.
 *
 * @example
 * ownDay(new Date('2026-11-28T23:30:00Z')) // '2026-11-29'
 */
export const ownDay = (at: Date): string => new Intl.DateTimeFormat('sv-SE', { timeZone: ZONE, dateStyle: 'short' }).format(at);
