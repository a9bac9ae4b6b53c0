import { SAMPLE_QUANTITIES, type SampleQuantity, type Samples } from '../instrument/samples';
import type { Traits } from '../instrument/traits';
import type { ChannelStatus } from '../instrument/channel-status';
import type { Procedure, School } from './procedure';

/**
 * Which answer each question of a procedure gets: the model's own, else the one that fits the samples, else the procedure's.
 * Errors: none; a choice that names no option is passed over.
 *
 * @example
 * schoolsOf(family11, { schools: { points: 'one' } }) // { points: 'one', rinsing: 'distilled', drying: 'shake' }
 * schoolsOf(family20, {}, { ph: '9.5' }).points // 'three'
 */
export function schoolsOf(
  { schools = [] }: Pick<Procedure, 'schools'>,
  traits: Traits,
  samples: Samples = {},
): Record<string, string> {
  return Object.fromEntries(
    schools.map((one) => {
      const chosen = traits.schools?.[one.id];
      const known = one.options.some((option) => option.id === chosen);
      return [one.id, known ? chosen! : (forSamples(one, samples) ?? one.standard)];
    }),
  );
}

/** The last answer whose limit the samples pass; null where they say nothing. */
function forSamples({ options }: School, samples: Samples): string | null {
  const fits = options.filter((option) =>
    SAMPLE_QUANTITIES.some((quantity) => {
      const [limit, told] = [option.over?.[quantity], samples[quantity]];
      return limit !== undefined && told !== undefined && (limit === '0' || Number(told) > Number(limit));
    }),
  );
  return fits.at(-1)?.id ?? null;
}

/**
 * The channels of a run with those that the chosen answers leave out marked as not calibrated.
 *
 * @example
 * channelsAsked(channels, family20, { 'high-standard': 'no' }) // ec-high: notCalibrated
 */
export function channelsAsked<T extends { role: string; status: ChannelStatus }>(
  channels: readonly T[],
  { schools = [] }: Pick<Procedure, 'schools'>,
  chosen: Record<string, string>,
): T[] {
  const without = new Set(schools.flatMap((one) => one.options.find((option) => option.id === chosen[one.id])?.without ?? []));
  return channels.map((one) => (without.has(one.role) && one.status === 'fitted' ? { ...one, status: 'notCalibrated' } : one));
}

/**
 * What a procedure wants to know of the samples at receipt; nothing where no answer depends on it.
 *
 * @example
 * samplesAsked(family20) // ['ph', 'conductivity']
 */
export const samplesAsked = ({ schools = [] }: Pick<Procedure, 'schools'>): SampleQuantity[] =>
  SAMPLE_QUANTITIES.filter((quantity) => schools.some((one) => one.options.some((option) => option.over?.[quantity])));

/**
 * The traits of a model after another answer was chosen; the procedure's own answer is not kept with the model.
 * Errors: RangeError when the question has no such answer.
 *
 * @example
 * withSchool({ stores: 'wet', schools: { points: 'one' } }, POINTS, 'two') // { stores: 'wet' }
 */
export function withSchool(traits: Traits, school: School, option: string): Traits {
  if (!school.options.some((one) => one.id === option)) throw new RangeError(`“${school.label}” has no answer “${option}”`);
  const { schools = {}, ...rest } = traits;
  const chosen = { ...schools, [school.id]: option };
  if (option === school.standard) delete chosen[school.id];
  return Object.keys(chosen).length ? { ...rest, schools: chosen } : rest;
}
