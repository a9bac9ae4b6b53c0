import { customType, timestamp } from 'drizzle-orm/pg-core';

/** An instant, to the millisecond, as an ISO text in UTC wherever the program sees it. */
export const instant = (name: string) => timestamp(name, { withTimezone: true, precision: 3, mode: 'date' });

export const bytea = customType<{ data: Buffer }>({ dataType: () => 'bytea' });
