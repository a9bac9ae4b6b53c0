import type { Procedure, School } from './procedure';

/**
 * Which answer each question of a procedure gets: the procedure's own, unless the model has another of its options as a property `question:option`.
 * Errors: none; a property that names no option is passed over.
 *
 * @example
 * schoolsOf(family11, ['points:one']) // { points: 'one', rinsing: 'distilled', drying: 'shake' }
 */
export function schoolsOf({ schools = [] }: Pick<Procedure, 'schools'>, properties: string[]): Record<string, string> {
  return Object.fromEntries(
    schools.map((one) => {
      const chosen = properties.find((property) => property.startsWith(`${one.id}:`))?.slice(one.id.length + 1);
      return [one.id, one.options.some((option) => option.id === chosen) ? chosen! : one.standard];
    }),
  );
}

/**
 * The properties of a model after another answer was chosen; the procedure's own answer needs no property.
 * Errors: RangeError when the question has no such answer.
 *
 * @example
 * withSchool(['stores-wet', 'points:one'], POINTS, 'two') // ['stores-wet']
 */
export function withSchool(properties: string[], school: School, option: string): string[] {
  if (!school.options.some((one) => one.id === option)) throw new RangeError(`“${school.label}” has no answer “${option}”`);
  const others = properties.filter((property) => !property.startsWith(`${school.id}:`));
  return option === school.standard ? others : [...others, `${school.id}:${option}`];
}
