/** Whether a value has named parts: an object that is no list. */
export const isParts = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
