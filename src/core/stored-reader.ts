import * as yup from 'yup';

/** Nothing is cast; and an error of one shape of several is thrown away, so no stack is written down for it. */
const CHEAP = { strict: true, disableStackTrace: true } as const;

/**
 * A reader of one kind of stored JSON: gives it back as its type, or says what is wrong with it.
 * The reader's errors: RangeError naming the kind and what it may not hold.
 *
 * @example
 * storedReader('every', EVERY)({ months: 6 }) // { months: 6 }
 */
export function storedReader<T>(kind: string, schema: yup.Schema): (stored: unknown) => T {
  return (stored) => {
    try {
      return schema.validateSync(stored, CHEAP) as T;
    } catch (error) {
      throw new RangeError(`stored ${kind} must be as its type says: ${(error as Error).message}`);
    }
  };
}

export const decimal = () => yup.string().matches(/^[+-]?\d+(\.\d+)?$/, '${path} must be a decimal text');
export const day = () => yup.string().matches(/^\d{4}-\d{2}-\d{2}$/, '${path} must be a date');
export const oneOf = (values: readonly string[]) => yup.string().oneOf([...values]);
/** An object with these keys and no others, there or left out as its parts say. */
export const shape = (fields: yup.ObjectShape) => yup.object(fields).noUnknown();
/** Left out, or such an object: yup would make one up. */
export const maybe = (schema: yup.AnySchema) => schema.optional().default(undefined);
/** A table of pairs of numbers. */
export const pairs = () =>
  yup
    .array()
    .test('pairs', '${path} must be pairs of numbers', (value) =>
      value === undefined
        ? true
        : value.every((pair: unknown) => Array.isArray(pair) && pair.length === 2 && pair.every((one) => Number.isFinite(one))),
    );
/** One of several shapes. */
export const either = (what: string, ...schemas: yup.Schema[]) =>
  yup
    .mixed()
    .test('either', `\${path} must be ${what}`, (value) =>
      value === undefined || value === null ? true : schemas.some((one) => one.isValidSync(value, CHEAP)),
    );
