import type { Traits } from '../instrument/traits';
import type { Procedure, School } from './procedure';

/**
 * Which answer each question of a procedure gets: the procedure's own, unless the model has another of its options.
 * Errors: none; a choice that names no option is passed over.
 *
 * @example
 * schoolsOf(family11, { schools: { points: 'one' } }) // { points: 'one', rinsing: 'distilled', drying: 'shake' }
 */
export function schoolsOf({ schools = [] }: Pick<Procedure, 'schools'>, traits: Traits): Record<string, string> {
  return Object.fromEntries(
    schools.map((one) => {
      const chosen = traits.schools?.[one.id];
      return [one.id, one.options.some((option) => option.id === chosen) ? chosen! : one.standard];
    }),
  );
}

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
