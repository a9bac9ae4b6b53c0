import { customType, timestamp } from 'drizzle-orm/pg-core';

/** An instant, to the millisecond, as an ISO text in UTC wherever the program sees it. */
export const instant = (name: string) => timestamp(name, { withTimezone: true, precision: 3, mode: 'date' });

export const bytea = customType<{ data: Buffer }>({ dataType: () => 'bytea' });

/** JSON of one kind: whoever reads it gets its type or an error that says what is wrong, never something in between. */
export const checked = <T>(name: string, read: (stored: unknown) => T) =>
  customType<{ data: T; driverData: unknown }>({
    dataType: () => 'jsonb',
    toDriver: (value) => JSON.stringify(value),
    fromDriver: read,
  })(name);
