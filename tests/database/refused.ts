import type { Problem } from '@/platform/problem';

/** How something was refused: null where it was done. */
export const refused = (promise: Promise<unknown>) =>
  promise.then(
    () => null,
    ({ status, fields, message }: Problem) => ({ status, fields, message }),
  );
